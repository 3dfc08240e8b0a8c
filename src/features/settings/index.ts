/** The Settings station: the whole menu, planned. */
export { SettingsStation } from './settings-station'
