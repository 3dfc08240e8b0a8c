/// <reference lib="webworker" />
import { definitionsCache, staticsCache } from './caches'
import { NetworkOnly, Serwist, type PrecacheEntry, type RuntimeCaching } from 'serwist'

declare const self: ServiceWorkerGlobalScope & {
  /** Every file of this release, and the page that stands in where no server answers (scripts/lib/bundles.mjs). */
  readonly __SW_MANIFEST: readonly PrecacheEntry[]
}

/** The page that opens what this device keeps, at whatever address it is shown. */
const standIn = '/kept'

/** How long a page may be without an answer before what is kept is shown, in seconds. */
const patience = 6

/** Files whose names say what is in them: good for ever, in whichever cache they are. */
const isNamedByContents: RuntimeCaching['matcher'] = ({ url, sameOrigin }) =>
  sameOrigin && url.pathname.startsWith('/_next/static/')

/** Definitions, at addresses with the digest of what is there. */
const isDefinition: RuntimeCaching['matcher'] = ({ url, sameOrigin }) =>
  sameOrigin && /^\/api\/(models|lenses)\b/.test(url.pathname) && url.searchParams.has('digest')

const fromAnyCache = (name: string): RuntimeCaching['handler'] => ({
  async handle({ request }) {
    const found = await caches.match(request, { ignoreVary: true })
    if (found) return asAsked(request, found)
    const response = await fetch(request)
    if (response.ok) {
      // Where there is no room, it is fetched again next time.
      const copy = response.clone()
      void caches
        .open(name)
        .then((cache) => cache.put(request, copy))
        .catch(() => undefined)
    }
    return response
  },
})

/** A worker finds what it is to run behind the # of its address, which the address of a kept answer does not have. */
function asAsked(request: Request, kept: Response): Response {
  if (request.destination !== 'worker') return kept
  return new Response(kept.body, { status: kept.status, headers: kept.headers })
}

/** An answer that says that whoever should answer is away counts as none. */
function answered({ response }: { response: Response }): Promise<Response> {
  return response.status >= 502 && response.status <= 504
    ? Promise.reject(new Error(`answered ${response.status}`))
    : Promise.resolve(response)
}

const release: Serwist = new Serwist({
  precacheEntries: [...self.__SW_MANIFEST],
  precacheOptions: {
    plugins: [
      {
        cachedResponseWillBeUsed: ({ event, cachedResponse }) =>
          Promise.resolve(
            cachedResponse && event instanceof FetchEvent
              ? asAsked(event.request, cachedResponse)
              : cachedResponse,
          ),
      },
    ],
  },
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    { matcher: isNamedByContents, handler: fromAnyCache(staticsCache) },
    { matcher: isDefinition, handler: fromAnyCache(definitionsCache) },
    {
      // A page comes from the server, whatever that answers; only where nothing comes, from this device.
      matcher: ({ request }) => request.mode === 'navigate',
      handler: new NetworkOnly({
        networkTimeoutSeconds: patience,
        plugins: [{ fetchDidSucceed: answered, handlerDidError: () => release.matchPrecache(standIn) }],
      }),
    },
  ],
})

// Pages of the release before this one may be open still, and load parts of it later: its files stay for them.
self.addEventListener('install', (event) => event.waitUntil(keepFormer()))

async function keepFormer(): Promise<void> {
  const names = await caches.keys()
  const former = names.find((name) => name.includes('precache'))
  if (former === undefined) return
  const from = await caches.open(former)
  await caches.delete(staticsCache)
  const into = await caches.open(staticsCache)
  for (const request of await from.keys()) {
    const response = await from.match(request)
    if (response && new URL(request.url).pathname.startsWith('/_next/static/'))
      await into.put(request, response)
  }
}

release.addEventListeners()
