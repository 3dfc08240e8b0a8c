import { Search } from 'lucide-react'
import Form from 'next/form'

/** A field and a button that look for words in a list the server has: `?find=`. */
export function SearchForm({
  action,
  label,
  find,
  placeholder,
}: {
  action: string
  label: string
  /** The words looked for now. */
  find: string
  placeholder: string
}) {
  return (
    <Form action={action} role="search" className="mt-2 flex gap-2">
      <input
        type="search"
        name="find"
        aria-label={label}
        defaultValue={find}
        maxLength={200}
        placeholder={placeholder}
        className="min-h-9 w-72 max-w-full rounded border bg-sheet px-2 placeholder:text-silt"
      />
      <button
        type="submit"
        className="inline-flex min-h-9 items-center gap-1.5 rounded-md border bg-sheet px-3"
      >
        <Search size={16} aria-hidden="true" /> Find
      </button>
    </Form>
  )
}
