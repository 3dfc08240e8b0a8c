/** How the door for other devices stands, as pages and handlers see it. */
export interface DoorState {
  /** Where devices open Salt Shelf, and the host in it. */
  readonly origin: string
  readonly host: string
  /** Where they find the certificate. */
  readonly plain: string
  readonly fingerprint: string
  /** Whether the authority was made at this start: devices have to trust it first. */
  readonly isNew: boolean
  /** Whether the address is this machine's now. */
  readonly isReachable: () => boolean
}

const shared = globalThis as { saltShelfDoor?: DoorState }

/** The door that stands open in this process, or null: it is bundled apart from the pages. */
export function doorNow(): DoorState | null {
  return shared.saltShelfDoor ?? null
}

/** Says that a door stands open. */
export function doorIsOpen(state: DoorState): void {
  shared.saltShelfDoor = state
}

/** The header by which what is behind the door knows which device asks; the door takes it off what comes from outside. */
export const deviceHeader = 'x-salt-shelf-device'
