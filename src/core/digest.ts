import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'

/** SHA-256 (FIPS 180-4) of bytes or of a text's UTF-8 form: 32 bytes. */
export function digestBytes(content: Uint8Array | string): Uint8Array {
  return sha256(typeof content === 'string' ? utf8ToBytes(content) : content)
}

/** The same as 64 hexadecimal letters. */
export function digestHex(content: Uint8Array | string): string {
  return bytesToHex(digestBytes(content))
}
