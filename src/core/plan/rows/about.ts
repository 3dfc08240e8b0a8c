import { bankKind, type BankRow } from './bank'
import { bankFactKind, type BankFactRow } from './bank-fact'
import { bankGridKind, type BankGridRow } from './bank-grid'
import { bankKeyKind, type BankKeyRow } from './bank-key'
import { bankOwnKind, type BankOwnRow } from './bank-own'
import { baseKind, type BaseRow } from './base'
import { bodyKind, type LocalRow } from './body'
import { bodyFirmwareKind, type BodyFirmwareRow } from './body-firmware'
import { bodyOnKind, type BodyOnRow } from './body-on'
import { bodyDiffersKind, type BodyDiffersRow } from './body-row'
import { cardKind, type CardRow } from './card'
import { gearKind, type GearRow } from './gear'
import { gridKind, type GridRow } from './grid'
import { habitKind, type HabitRow } from './habit'
import { holdKind, type HoldRow } from './hold'
import { holdNameKind, type HoldNameRow } from './hold-name'
import { intentKind, type IntentRow } from './intent'
import { keyKind, type KeyRow } from './key'
import { among, type RowKind } from './kind'
import { lensKind, type LensRow } from './lens'
import { lineKind, type LineRow } from './line'
import { modelKind, type ModelRow } from './model'
import { needKind, type NeedRow } from './need'
import { ownKind, type OwnRow } from './own'
import { ownNameKind, type OwnNameRow } from './own-name'
import { ownerKind, type OwnerRow } from './owner'
import { pairKind, type PairRow } from './pair'
import { positionKind, type PositionRow } from './position'
import { purposeKind, type PurposeRow } from './purpose'
import { schoolKind, type SchoolRow } from './school'
import { shareKind, type ShareRow } from './share'
import { sheetKind, type SheetRow } from './sheet'
import { situationKind, type SituationRow } from './situation'
import { titleKind, type TitleRow } from './title'

/** A row that may be spoken about: by a note, an acceptance, something forbidden. */
export type AboutRow =
  | ModelRow
  | TitleRow
  | PurposeRow
  | BaseRow
  | ShareRow
  | KeyRow
  | BankRow
  | BankFactRow
  | BankKeyRow
  | BankGridRow
  | BankOwnRow
  | PairRow
  | PositionRow
  | GridRow
  | OwnRow
  | OwnNameRow
  | HoldRow
  | HoldNameRow
  | LensRow
  | LineRow
  | LocalRow
  | BodyDiffersRow
  | BodyFirmwareRow
  | BodyOnRow
  | CardRow
  | GearRow
  | SchoolRow
  | SheetRow
  | SituationRow
  | NeedRow
  | OwnerRow
  | HabitRow
  | IntentRow

/** The kinds that may be spoken about; of those that share a head, the one that claims every id of it stands last. */
export const aboutKinds: readonly RowKind<AboutRow>[] = [
  modelKind,
  titleKind,
  purposeKind,
  baseKind,
  shareKind,
  keyKind,
  bankKeyKind,
  bankGridKind,
  bankOwnKind,
  bankFactKind,
  bankKind,
  pairKind,
  positionKind,
  gridKind,
  ownNameKind,
  ownKind,
  holdNameKind,
  holdKind,
  lensKind,
  lineKind,
  bodyDiffersKind,
  bodyFirmwareKind,
  bodyOnKind,
  bodyKind,
  cardKind,
  gearKind,
  schoolKind,
  sheetKind,
  situationKind,
  needKind,
  ownerKind,
  habitKind,
  intentKind,
]

/** Any row that may be spoken about. */
export const about = among(aboutKinds)
