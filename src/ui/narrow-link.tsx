import Link from 'next/link'

/** A way to narrow a list that the server has, one of a few beside each other. */
export function NarrowLink({
  pathname,
  query,
  isHere,
  children,
}: {
  pathname: string
  query: Readonly<Record<string, string | undefined>>
  /** Whether the list is narrowed so now. */
  isHere: boolean
  children: string
}) {
  return (
    <Link
      href={{ pathname, query: given(query) }}
      aria-current={isHere ? 'page' : undefined}
      className="min-h-8 text-silt underline-offset-3 aria-[current=page]:font-semibold aria-[current=page]:text-brine aria-[current=page]:underline"
    >
      {children}
    </Link>
  )
}

/** The ways to the pages beside this one; neither stands where there is none. */
export function PageLinks({
  pathname,
  query,
  page,
  hasNewer,
  hasOlder,
}: {
  pathname: string
  query: Readonly<Record<string, string | undefined>>
  page: number
  hasNewer: boolean
  hasOlder: boolean
}) {
  const to = (number: number, words: string) => (
    <Link
      href={{ pathname, query: { ...given(query), page: String(number) } }}
      className="font-semibold text-brine underline underline-offset-3"
    >
      {words}
    </Link>
  )
  return (
    <nav aria-label="Pages" className="mt-4 flex gap-6">
      {hasNewer && to(page - 1, 'Newer')}
      {hasOlder && to(page + 1, 'Older')}
    </nav>
  )
}

function given(query: Readonly<Record<string, string | undefined>>): Record<string, string> {
  return Object.fromEntries(
    Object.entries(query).flatMap(([name, value]) => (value === undefined ? [] : [[name, value]])),
  )
}
