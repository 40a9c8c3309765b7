import { madePast } from './beginning'
import { aheadIn, setAhead } from './clock'
import { JOBS } from './work/jobs'
import { serveJobs } from './work/serve'

if (process.env.JUVANT_AHEAD_MS) setAhead(aheadIn(process.env))
// What a thread of the server runs.
serveJobs({ ...JOBS, past: madePast })
