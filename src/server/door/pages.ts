import type { Refusal } from '@/core/result'
import { codeMinutes } from './pairing'

/** What the pages of the door are told. */
export interface DoorFacts {
  readonly origin: string
  readonly fingerprint: string
}

/** Where the door keeps its own addresses, apart from everything behind it. */
export const doorPaths = {
  page: '/door',
  pair: '/door/pair',
  leave: '/door/leave',
  certificate: '/salt-shelf.crt',
  fonts: '/door/fonts/',
} as const

/** The page in plain HTTP: the certificate, how to know it, how to trust it. Nothing else is there. */
export function trustPage({ origin, fingerprint }: DoorFacts): string {
  return page(
    'Let this device trust Salt Shelf',
    `<h1>Let this device trust Salt Shelf</h1>
    <p>Salt Shelf runs on a machine of your own and shows itself by a certificate that this machine made. Your device has to trust it once; then everything between the two is encrypted.</p>
    <ol>
      <li><h2>Take the certificate</h2>
        <p><a class="main" href="${doorPaths.certificate}" download="salt-shelf.crt">Take the certificate</a></p></li>
      <li><h2>Hold it against the machine</h2>
        <p>Its SHA-256 fingerprint stands in the terminal and on the shelf of that machine. If it is another one there, stop: somebody stands in between.</p>
        <p class="mono">${escaped(fingerprint).replaceAll(':', ':<wbr>')}</p></li>
      <li><h2>Install it</h2>
        <p><strong>If your device says that a profile was loaded:</strong> in its settings open the profile and install it. Then, under the general settings, about this device, certificate trust, switch full trust on for <em>Salt Shelf on this network</em>.</p>
        <p><strong>If it asks what the certificate is for:</strong> choose <em>CA certificate</em>. Otherwise open its settings, security, credentials (or search the settings for “certificate”), install a CA certificate, and choose the file.</p>
        <p><strong>On a computer:</strong> open it and trust it for websites, or import it under the authorities in the settings of the browser.</p>
        <p class="quiet">It can vouch for addresses in private networks only, never for a site on the internet. You can remove it in the same place.</p></li>
      <li><h2>Open Salt Shelf</h2>
        <p><a class="main" href="${escaped(origin)}/">${escaped(origin)}</a></p>
        <p>There you are asked for a code. It is made on the shelf of the machine that runs Salt Shelf.</p></li>
    </ol>`,
  )
}

/** The page of a device that is not let in, or no longer: asks for a code. */
export function codePage({
  refusal = null,
  isEnded = false,
  onwards = '/',
  name = '',
}: {
  refusal?: Refusal | null
  isEnded?: boolean
  /** Where it wanted to go. */
  onwards?: string
  /** What the device was called in the try before. */
  name?: string
}): string {
  const title = isEnded ? 'This device was let go' : 'Let this device in'
  return page(
    title,
    `<h1>${title}</h1>
    ${
      isEnded
        ? '<p>On the shelf somebody ended what it was let in for. What you changed here and could not send is kept in this browser, and is sent once you are let in again.</p>'
        : ''
    }
    <p>On the machine that runs Salt Shelf open the shelf, and under <em>Other devices</em> choose <em>Let a device in</em>. It shows a code for ${codeMinutes} minutes.</p>
    ${refusal ? `<p class="refused" role="alert">${escaped(refusal.message)}</p>` : ''}
    <form method="post" action="${doorPaths.pair}">
      <input type="hidden" name="onwards" value="${escaped(onwards)}">
      <label>Code <input name="code" required autocomplete="one-time-code" autocapitalize="characters" spellcheck="false" autofocus class="mono" placeholder="ABCD 2345"></label>
      <label>What this device is called <input name="name" required maxlength="60" placeholder="My phone" value="${escaped(name)}"></label>
      <button class="main">Let this device in</button>
    </form>`,
  )
}

/** A page that cannot be shown, and why. */
export function refusedPage(title: string, words: string, way = ''): string {
  return page(title, `<h1>${escaped(title)}</h1><p>${escaped(words)}</p>${way}`)
}

/** A page that asks for itself once more: what another site leads here comes without the cookie. */
export function againPage(path: string): string {
  return `<!doctype html><html lang="en"><meta charset="utf-8"><meta http-equiv="refresh" content="0;url=${escaped(path)}"><title>Salt Shelf</title>`
}

/** Every page of the door: no script, nothing from elsewhere. */
function page(title: string, body: string): string {
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="color-scheme" content="light dark">
<title>${escaped(title)} · Salt Shelf</title>
<style>${style}</style>
</head>
<body>
<header><svg viewBox="0 0 32 26" width="28" height="23" aria-hidden="true"><rect x="1" y="21" width="30" height="3.5" rx="1" class="b"/><path d="M4 19v-8a4.5 4.5 0 0 1 9 0v8z" class="p"/><path d="M17 19v-5a4.5 4.5 0 0 1 9 0v5z" class="b"/></svg><span>Salt Shelf</span></header>
<main>
${body}
</main>
</body>
</html>`
}

const style = `
@font-face{font-family:Text;src:url(${doorPaths.fonts}text.woff2) format("woff2");font-weight:200 800;font-display:swap}
@font-face{font-family:Head;src:url(${doorPaths.fonts}head.woff2) format("woff2");font-weight:200 800;font-display:swap}
@font-face{font-family:Mono;src:url(${doorPaths.fonts}mono.woff2) format("woff2");font-display:swap}
:root{--crust:#FAF7F2;--sheet:#fff;--ink:#1E2A2E;--silt:#5C6B70;--rule:#D9D3C7;--brine:#0E5156;--pan:#B83A5E;--rust:#9B2D22;--on:#fff}
@media (prefers-color-scheme:dark){:root{--crust:#10191C;--sheet:#172327;--ink:#E4E9E7;--silt:#9FB0B2;--rule:#2C3B40;--brine:#6FC3C0;--pan:#F08CA6;--rust:#F0907F;--on:#10191C}}
*{box-sizing:border-box}
body{margin:0;background:var(--crust);color:var(--ink);font:400 17px/1.5 Text,sans-serif}
header{display:flex;align-items:center;gap:10px;padding:12px 20px;border-bottom:1px solid var(--rule);font:600 21px Head,sans-serif;color:var(--brine)}
.b{fill:var(--brine)}.p{fill:var(--pan)}
main{max-width:34rem;margin:0 auto;padding:20px}
h1{font:600 26px/1.2 Head,sans-serif;margin:8px 0 12px}
h2{font:600 18px/1.3 Head,sans-serif;margin:0}
ol{list-style:none;counter-reset:step;padding:0;margin:20px 0}
li{counter-increment:step;background:var(--sheet);border:1px solid var(--rule);padding:16px 16px 8px 52px;margin:0 0 8px;position:relative}
li::before{content:counter(step);position:absolute;left:18px;top:15px;font:600 18px/1.3 Head,sans-serif;color:var(--pan)}
p{margin:8px 0}
.quiet{color:var(--silt);font-size:15px}
.mono{font-family:Mono,monospace;overflow-wrap:anywhere}
a{color:var(--brine)}
.main{display:inline-flex;align-items:center;min-height:48px;padding:8px 18px;border:0;border-radius:4px;background:var(--brine);color:var(--on);font:600 17px Text,sans-serif;text-decoration:none;overflow-wrap:anywhere}
form .main{justify-content:center}
form{display:grid;gap:16px;margin:20px 0;background:var(--sheet);border:1px solid var(--rule);padding:16px}
label{display:grid;gap:4px;color:var(--silt);font-size:15px}
input{min-height:48px;padding:8px 12px;border:1px solid var(--silt);border-radius:4px;background:var(--crust);color:var(--ink);font:400 18px Text,sans-serif;width:100%}
input.mono{font-family:Mono,monospace;text-transform:uppercase;letter-spacing:.08em}
:focus-visible{outline:3px solid var(--brine);outline-offset:2px}
.refused{border-left:4px solid var(--rust);background:var(--sheet);padding:10px 14px}
`

function escaped(text: string): string {
  const names: Record<string, string> = {
    '&': '&amp;',
    '<': '&lt;',
    '>': '&gt;',
    '"': '&quot;',
    "'": '&#39;',
  }
  return text.replaceAll(/[&<>"']/g, (figure) => names[figure] ?? '')
}
