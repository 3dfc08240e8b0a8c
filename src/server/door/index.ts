/** The door for other devices, as `scripts/serve.mjs` opens it: bundled beside the build. */
export { chooseAddress } from './addresses'
export { plainRequest } from './admission'
export { openDoor } from './door'
export { doorIsOpen } from './state'
