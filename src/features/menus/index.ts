/** The Menus station: what other features and pages use of it. */
export { MenusStation } from './menus-station'
