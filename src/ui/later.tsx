import { lazy, Suspense, type ComponentType } from 'react'

/** A part of a screen that is loaded when it is first shown; nothing stands in its place until it is there. */
export function later<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
  const Part = lazy(async () => ({ default: await load() }))
  return function Later(props: P) {
    return (
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    )
  }
}
