/** A loopback port that is free now. */
export function freePort(): Promise<number>
