import Link from 'next/link'
import { SearchForm } from '@/ui/search-form'

/** Which page of the plans is shown, and of which search. */
export interface Pages {
  readonly page: number
  readonly count: number
  readonly find: string
  readonly plans: number
}

/** Finds plans by the words of their titles and models; shown where there are more than fit at a glance. */
export function PlanSearch({ pages: { plans, find } }: { pages: Pages }) {
  if (plans <= 8 && find === '') return null
  return (
    <>
      <SearchForm
        action="/"
        label="Find a plan"
        find={find}
        placeholder="A few letters of its title or model"
      />
      {find !== '' && (
        <p className="mt-1 text-small text-silt">
          {plans === 0 ? 'No plan' : `${plans} ${plans === 1 ? 'plan' : 'plans'}`} with “{find}”.{' '}
          <Link href="/" className="text-brine underline underline-offset-3">
            All plans
          </Link>
        </p>
      )}
    </>
  )
}

/** The way to newer and older plans. */
export function PlanPages({ pages: { page, count, find } }: { pages: Pages }) {
  if (count === 1 && page === 1) return null
  const at = (to: number) => ({
    pathname: '/',
    query: { ...(find === '' ? {} : { find }), page: String(to) },
  })
  return (
    <nav aria-label="Pages of plans" className="mt-3 flex gap-6 text-silt">
      {page > 1 && (
        <Link
          href={at(Math.min(page - 1, count))}
          className="font-semibold text-brine underline underline-offset-3"
        >
          Newer
        </Link>
      )}
      <span>
        Page {page} of {count}
      </span>
      {page < count && (
        <Link href={at(page + 1)} className="font-semibold text-brine underline underline-offset-3">
          Older
        </Link>
      )}
    </nav>
  )
}
