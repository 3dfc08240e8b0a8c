import { expose } from 'comlink'
import { analysisPort } from '@/core/analysis/port'

/** The analysis of the plan on the desk, in a thread of its own. */
expose(analysisPort())
