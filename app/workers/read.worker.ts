import { fileJobs } from './fileJobs'
import { serve } from './serve'

serve(fileJobs(), self)
