import { expose } from 'comlink'
import { bodyPort } from '@/core/camera/live/port'

/** The simulated body of Try it, in a thread of its own. */
expose(bodyPort())
