import { madePast } from './beginning'
import { JOBS } from './work/jobs'
import { serveJobs } from './work/serve'

// What a thread of the server runs.
serveJobs({ ...JOBS, past: madePast })
