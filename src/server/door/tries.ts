/** How many tries an address has at once, and how long until one comes back, in milliseconds. */
const atOnce = 8
const perTry = 6000
/** How many all addresses together have, so that many of them gain nothing. */
const together = 30
const perTryTogether = 2000
/** How many addresses are remembered. */
const mostAddresses = 2000

/** Counts tries: so many at once, then one now and then. */
class Bucket {
  private left: number
  private at: number

  constructor(
    private readonly most: number,
    private readonly per: number,
    now: number,
  ) {
    this.left = most
    this.at = now
  }

  take(now: number): boolean {
    const back = Math.max(0, now - this.at) / this.per
    this.left = Math.min(this.most, this.left + back)
    this.at = now
    if (this.left < 1) return false
    this.left -= 1
    return true
  }
}

/** How often a code may be tried, from one address and from all together; beyond it nobody looks whether it is right. */
export class Tries {
  private readonly byAddress = new Map<string, Bucket>()
  private all: Bucket | null = null

  /** Takes one try; `now` in milliseconds. */
  mayTry(address: string, now: number): boolean {
    const mine = this.byAddress.get(address) ?? new Bucket(atOnce, perTry, now)
    this.byAddress.delete(address)
    this.byAddress.set(address, mine)
    const [oldest] = this.byAddress.keys()
    if (this.byAddress.size > mostAddresses && oldest !== undefined) this.byAddress.delete(oldest)
    this.all ??= new Bucket(together, perTryTogether, now)
    return mine.take(now) && this.all.take(now)
  }
}
