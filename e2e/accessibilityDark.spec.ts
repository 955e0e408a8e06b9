import { lookAtPages } from './accessiblePages'

lookAtPages('dark')
