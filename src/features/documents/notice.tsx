import type { ReactNode } from 'react'

/** Something that needs an answer: what happened, and the ways on. */
export function Notice({ title, children, ways }: { title: string; children: ReactNode; ways?: ReactNode }) {
  return (
    <section role="alert" className="border-l-3 border-lichen bg-sheet px-3 py-2">
      <p>
        <span className="font-semibold text-lichen">{title} </span>
        {children}
      </p>
      {ways && <p className="mt-2 flex flex-wrap gap-2">{ways}</p>}
    </section>
  )
}
