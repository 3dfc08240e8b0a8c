import type { SetUpPage } from '../model/types'
import type { Row } from './rows'

/** The set-up page on which a kind of row is set. */
export const setUpPageOf: Readonly<Partial<Record<Row['kind'], SetUpPage>>> = {
  key: 'keys',
  bankKey: 'keys',
  grid: 'grids',
  bankGrid: 'grids',
  own: 'ownMenu',
  ownName: 'ownMenu',
  bankOwn: 'ownMenu',
  hold: 'holdSets',
  holdName: 'holdSets',
}
