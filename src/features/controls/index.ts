/** The Controls station: what other features and pages use of it. */
export { ControlsStation } from './controls-station'
