'use client'

import { usePathname } from 'next/navigation'
import { Suspense, useEffect, useState, type ReactNode } from 'react'
import { copyOf } from '@/features/documents'
import { AnalysisProvider, delivered, DeskProvider, Notices, PlanBar, type PlanGiven } from '@/features/desk'
import type { WalkStart } from '@/features/walk'
import { later } from '@/ui/later'
import { TopBar } from '@/ui/top-bar'
import { Trouble, WayOn } from '@/ui/trouble'
import { KeptBodies, type BodiesGiven } from './kept-bodies'
import { KeptShelf } from './kept-shelf'
import { KeptSign } from './kept-sign'
import { KeptStation } from './kept-station'

const Walk = later(() => import('@/features/walk').then((one) => one.Walk))

/** What an address asks for, and the page whose copy brings it. */
type Place =
  | { readonly kind: 'shelf' }
  | { readonly kind: 'other' }
  | { readonly kind: 'plan'; readonly page: string; readonly station: string }
  | { readonly kind: 'walk'; readonly page: string }
  | { readonly kind: 'bodies'; readonly page: string }

/**
 * Stands in for any page where no server answers: opens what this device keeps of it, and says so where it keeps nothing.
 * The service worker answers with it at the address that was asked for.
 */
export function KeptPage() {
  const path = usePathname()
  const [shown, setShown] = useState<ReactNode>(null)
  useEffect(() => {
    wearTheme()
    let isHere = true
    const place = placeAt(path)
    void pageFor(place, path)
      .catch(() => <NotKept path={path} />)
      .then((page) => {
        if (isHere) setShown(page)
      })
    return () => {
      isHere = false
    }
  }, [path])
  return (
    shown ?? (
      <p role="status" className="px-6 py-20 text-center text-silt">
        Opening what this device keeps …
      </p>
    )
  )
}

async function pageFor(place: Place, path: string): Promise<ReactNode> {
  if (place.kind === 'shelf') return <KeptShelf />
  if (place.kind === 'other') return <NotKept path={path} />
  const copy = await copyOf<unknown>(place.page)
  if (!copy) return <NotKept path={path} />
  if (place.kind === 'bodies')
    return <KeptBodies given={copy.given as BodiesGiven} sign={<KeptSign at={copy.at} />} />
  if (place.kind === 'walk')
    return (
      <>
        <TopBar />
        <KeptSign at={copy.at} />
        <Walk start={copy.given as WalkStart} isCopy />
      </>
    )
  const given = copy.given as PlanGiven
  // What it stands on has to be here, too.
  await Promise.all(Object.values(given.definitionsAt).map(delivered))
  return (
    <Suspense fallback={null}>
      <DeskProvider given={given} isCopy>
        <AnalysisProvider>
          <PlanBar />
          <KeptSign at={copy.at} />
          <Notices />
          <KeptStation station={place.station} page={place.page} />
        </AnalysisProvider>
      </DeskProvider>
    </Suspense>
  )
}

function placeAt(path: string): Place {
  if (path === '/' || path === '/kept') return { kind: 'shelf' }
  if (path === '/bodies') return { kind: 'bodies', page: path }
  const [, root = '', id = '', station = 'controls', ...rest] = path.split('/')
  if (id === '' || rest.length > 0) return { kind: 'other' }
  if (root === 'plans') return { kind: 'plan', page: `/plans/${id}`, station }
  return root === 'walks' ? { kind: 'walk', page: `/walks/${id}` } : { kind: 'other' }
}

/** Told of a page of which this device has no copy. */
function NotKept({ path }: { path: string }) {
  const message =
    'The server does not answer, and this device keeps nothing of this page. What was opened once on it opens again without a server, as long as its browser has room.'
  return (
    <>
      <TopBar />
      <Trouble
        title="Not there without a connection"
        refusal={{ code: 'not-kept', message }}
        address={path}
        way={
          <p className="flex flex-wrap gap-5">
            <WayOn href={path}>Try again</WayOn>
            <WayOn href="/">What this device keeps</WayOn>
          </p>
        }
      />
    </>
  )
}

/** The page was made before anybody chose: the theme is the one chosen on this device. */
function wearTheme(): void {
  const chosen = /(?:^|; )theme=(day|night)/.exec(document.cookie)?.[1]
  if (chosen) document.documentElement.dataset.theme = chosen
}
