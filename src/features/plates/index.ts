/** The plates of a body as a plan labels them: what other features and pages use of it. */
export { allFaces, FacePicker } from './face-picker'
export { differingOn, findingsAt, labelsOf, type Shown } from './labels'
export { everyPart, FittedChoice } from './fitted-choice'
