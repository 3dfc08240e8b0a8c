/** The plan under work, shared by its stations: what other features and pages use of it. */
export { deliver, delivered } from './delivered'
export {
  DeskProvider,
  SentDeskProvider,
  type PlanGiven,
  useDesk,
  useDeskPart,
  useDeskStart,
  usePlan,
  usePlanPart,
  useRevision,
} from './desk-context'
export { FindBox } from './find-box'
export { FindingCard, FindingList, findingKey, Places } from './finding-card'
export { tellInventoryNews } from './inventory-news'
export { useKeptText, useTypedText } from './kept-text'
export { Notices } from './notices'
export { NumberLink } from './number-link'
export { PlanBar } from './plan-bar'
export { ReasonField } from './reason-field'
export { RowNotes } from './row-notes'
export { useShelfNames } from './shelf-names'
export { ShortcutList } from './shortcut-list'
export { SettingFigures } from './figures-later'
export { SettingLabel } from './setting-label'
export { findingsAt } from './stations'
export { TextRow } from './text-row'
export { watched } from './thread'
export { TryFinding, TryLink } from './try-link'
export { AnalysisProvider, useAnswer, useFindings, useReach, useReachNow, useTrial } from './use-analysis'
export { usePlaceInPage } from './use-place-in-page'
export { ValueField } from './value-field'
export { WhyForm } from './why-form'
