/** Other devices: where they reach Salt Shelf, how they are let in, and how that ends. */
export { OtherDevices } from './other-devices'
