const encoder = new TextEncoder()
const decoder = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true })

/** Appends numbers (little-endian) and texts to a growing run of bytes. */
export class ByteWriter {
  private buffer = new Uint8Array(4096)
  private view = new DataView(this.buffer.buffer)
  private length = 0

  u8(value: number): void {
    this.room(1)
    this.view.setUint8(this.length, value)
    this.length += 1
  }

  u16(value: number): void {
    this.room(2)
    this.view.setUint16(this.length, value, true)
    this.length += 2
  }

  u32(value: number): void {
    this.room(4)
    this.view.setUint32(this.length, value, true)
    this.length += 4
  }

  f64(value: number): void {
    this.room(8)
    this.view.setFloat64(this.length, value, true)
    this.length += 8
  }

  bytes(part: Uint8Array): void {
    this.room(part.length)
    this.buffer.set(part, this.length)
    this.length += part.length
  }

  /** A text as UTF-8 behind a u16 byte count. */
  text(text: string): void {
    const part = encoder.encode(text)
    this.u16(part.length)
    this.bytes(part)
  }

  done(): Uint8Array {
    return this.buffer.slice(0, this.length)
  }

  private room(more: number): void {
    if (this.length + more <= this.buffer.length) return
    const larger = new Uint8Array(Math.max(this.buffer.length * 2, this.length + more))
    larger.set(this.buffer)
    this.buffer = larger
    this.view = new DataView(larger.buffer)
  }
}

/** Thrown inside a reader when bytes run out or make no sense; the file reader turns it into a refusal. */
export class ByteFault extends Error {
  constructor(
    message: string,
    readonly offset: number,
  ) {
    super(message)
  }
}

/** Reads what `ByteWriter` writes, never past its end. */
export class ByteReader {
  private at = 0
  private readonly view: DataView

  constructor(
    private readonly buffer: Uint8Array,
    /** Offset of these bytes in their file, for messages. */
    private readonly origin = 0,
  ) {
    this.view = new DataView(buffer.buffer, buffer.byteOffset, buffer.byteLength)
  }

  u8(): number {
    return this.view.getUint8(this.take(1))
  }

  u16(): number {
    return this.view.getUint16(this.take(2), true)
  }

  u32(): number {
    return this.view.getUint32(this.take(4), true)
  }

  f64(): number {
    return this.view.getFloat64(this.take(8), true)
  }

  bytes(count: number): Uint8Array {
    const from = this.take(count)
    return this.buffer.subarray(from, from + count)
  }

  text(): string {
    const part = this.bytes(this.u16())
    try {
      return decoder.decode(part)
    } catch {
      throw this.fault('a text that is not UTF-8')
    }
  }

  get rest(): number {
    return this.buffer.length - this.at
  }

  /** Position in the file, for messages. */
  get offset(): number {
    return this.origin + this.at
  }

  fault(what: string): ByteFault {
    return new ByteFault(what, this.offset)
  }

  private take(count: number): number {
    if (count > this.rest) throw this.fault('the bytes end too early')
    const from = this.at
    this.at += count
    return from
  }
}
