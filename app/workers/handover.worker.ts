import { HANDOVER_JOBS } from './handoverJobs'
import { serve } from './serve'

serve(HANDOVER_JOBS, self)
