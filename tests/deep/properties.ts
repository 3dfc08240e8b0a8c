import { keyProperties } from './keys'
import { reachProperties } from './reach'
import { routeProperties } from './route'
import { saidProperties } from './said'
import { suggestProperties } from './suggest'
import type { DeepProperty } from './property'

/** All that must hold on every model: in `npm test` for a few cases, in `npm run check:deep` for as many as time allows. */
export const properties: readonly DeepProperty[] = [
  ...keyProperties,
  ...reachProperties,
  ...routeProperties,
  ...saidProperties,
  ...suggestProperties,
]
