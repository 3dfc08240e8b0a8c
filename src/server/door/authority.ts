import 'reflect-metadata'
import { createHash, randomBytes, webcrypto } from 'node:crypto'
import { BlockList, isIP } from 'node:net'
import { GeneralName, GeneralSubtree, GeneralSubtrees, NameConstraints } from '@peculiar/asn1-x509'
import { AsnConvert } from '@peculiar/asn1-schema'
import * as x509 from '@peculiar/x509'

/** A certificate with its key, both as PEM. */
export interface Certified {
  readonly certificate: string
  readonly key: string
}

/** A certificate authority that devices are asked to trust, and what it can vouch for. */
export interface Authority extends Certified {
  /** Addresses and names besides the private networks; no other can be vouched for, whoever has the key. */
  readonly extras: readonly string[]
}

/** Networks in which nobody from outside has an address, and the endings of names that lead into them. */
export const privateNetworks = [
  '10.0.0.0/8',
  '172.16.0.0/12',
  '192.168.0.0/16',
  '169.254.0.0/16',
  '127.0.0.0/8',
  'fc00::/7',
  'fe80::/10',
]
export const privateNames = ['local', 'lan', 'internal', 'home.arpa', 'localhost']

const day = 86_400_000
/** How long an authority and a certificate hold, and when the next is made, in days. */
const holds = { authority: 3650, certificate: 90 }
const renewed = { authority: 120, certificate: 30 }
/** Clocks of devices may be behind: what is made now has held since then, in days. */
const since = 2

const algorithm = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' }
x509.cryptoProvider.set(webcrypto as unknown as Crypto)

/** Makes an authority that can vouch for the private networks and for `extras`, and for nothing else. */
export async function makeAuthority(extras: readonly string[], now: Date): Promise<Authority> {
  const keys = await webcrypto.subtle.generateKey(algorithm, true, ['sign', 'verify'])
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: `CN=Salt Shelf on this network (${randomBytes(2).toString('hex')})`,
    ...span(now, holds.authority),
    keys: keys,
    signingAlgorithm: algorithm,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      constrainedTo(extras),
    ],
  })
  return { certificate: certificate.toString('pem'), key: await pemOf(keys.privateKey), extras }
}

/** Makes the certificate by which a server at `name`, an address or a name, shows itself. */
export async function certify(authority: Authority, name: string, now: Date): Promise<Certified> {
  const issuer = new x509.X509Certificate(authority.certificate)
  const signingKey = await keyFrom(authority.key)
  const keys = await webcrypto.subtle.generateKey(algorithm, true, ['sign', 'verify'])
  const certificate = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: 'CN=Salt Shelf',
    issuer: issuer.subject,
    ...span(now, holds.certificate),
    publicKey: keys.publicKey,
    signingKey: signingKey,
    signingAlgorithm: algorithm,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension([{ type: isIP(name) ? 'ip' : 'dns', value: name }]),
      await x509.AuthorityKeyIdentifierExtension.create(issuer),
    ],
  })
  return { certificate: certificate.toString('pem'), key: await pemOf(keys.privateKey) }
}

/** A certificate and the one that vouches for it, as a server shows them. */
export function chainOf(certified: Certified, authority: Authority): string {
  return `${certified.certificate}\n${authority.certificate}\n`
}

/** Whether an authority, or a certificate, has to be made anew by now. */
export function isDue(kind: keyof typeof renewed, { certificate }: Certified, now: Date): boolean {
  const until = new x509.X509Certificate(certificate).notAfter.getTime()
  return until - now.getTime() < renewed[kind] * day
}

/** The SHA-256 fingerprint of a certificate, in pairs, as devices show it. */
export function fingerprintOf({ certificate }: Certified): string {
  const digest = createHash('sha256').update(derOf(certificate)).digest('hex').toUpperCase()
  return digest.match(/../g)?.join(':') ?? ''
}

/** A certificate as devices take it in. */
export function derOf(pem: string): Buffer {
  return Buffer.from(new x509.X509Certificate(pem).rawData)
}

/** Whether the authority can vouch for an address or a name. */
export function vouchesFor({ extras }: Authority, name: string): boolean {
  return extras.includes(name) || isPrivate(name)
}

/** Whether an address lies in a private network, or a name ends like one of those in them. */
export function isPrivate(name: string): boolean {
  if (!isIP(name)) return privateNames.some((end) => name === end || name.endsWith(`.${end}`))
  return privateAddresses.check(name, isIP(name) === 4 ? 'ipv4' : 'ipv6')
}

const privateAddresses = new BlockList()
for (const network of privateNetworks) {
  const [first = '', length = ''] = network.split('/')
  privateAddresses.addSubnet(first, Number(length), isIP(first) === 4 ? 'ipv4' : 'ipv6')
}

function constrainedTo(extras: readonly string[]): x509.Extension {
  const addresses = extras.filter((one) => isIP(one)).map((one) => `${one}/${isIP(one) === 4 ? 32 : 128}`)
  const names = extras.filter((one) => !isIP(one))
  const permitted = [
    ...[...privateNetworks, ...addresses].map((iPAddress) => new GeneralName({ iPAddress })),
    ...[...privateNames, ...names].map((dNSName) => new GeneralName({ dNSName })),
  ]
  const constraints = new NameConstraints({
    permittedSubtrees: new GeneralSubtrees(permitted.map((base) => new GeneralSubtree({ base }))),
  })
  return new x509.Extension('2.5.29.30', true, AsnConvert.serialize(constraints))
}

function span(now: Date, days: number): { notBefore: Date; notAfter: Date } {
  return { notBefore: new Date(now.getTime() - since * day), notAfter: new Date(now.getTime() + days * day) }
}

/** A serial number nobody else gives: positive, so its first bit is none. */
function serial(): string {
  return `4${randomBytes(15).toString('hex')}${'0'}`
}

async function pemOf(key: webcrypto.CryptoKey): Promise<string> {
  return x509.PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), 'PRIVATE KEY')
}

function keyFrom(pem: string): Promise<webcrypto.CryptoKey> {
  const [pkcs8] = x509.PemConverter.decode(pem)
  return webcrypto.subtle.importKey('pkcs8', pkcs8 ?? new ArrayBuffer(0), algorithm, true, ['sign'])
}
