import { lazy, Suspense, useState, type ComponentType } from 'react'

/** A part of a screen that is loaded when it is first shown, or before, when a hand comes near it. */
export interface Later<P> {
  (props: P): React.ReactNode
  /** Loads it now. */
  readonly come: () => void
}

/** A part that comes later: nothing stands in its place until it is there; what has come already is shown at once. */
export function later<P extends object>(load: () => Promise<ComponentType<P>>): Later<P> {
  let coming: Promise<ComponentType<P>> | null = null
  let come: ComponentType<P> | null = null
  const loaded = () =>
    (coming ??= load().then((part) => {
      come = part
      return part
    }))
  const Part = lazy(async () => ({ default: await loaded() }))
  function Shown(props: P) {
    const [There] = useState(() => come)
    if (There) return <There {...props} />
    return (
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    )
  }
  // What could not be loaded is asked for again when it is shown.
  const hurry = () => void loaded().catch(() => (coming = null))
  return Object.assign(Shown, { come: hurry })
}
