import type { ReactNode } from 'react'

/** A box to tick with its words beside it; without words, where a table says them, it is spoken by `label`. */
export function Check({
  checked,
  onChange,
  children,
  label,
  className = '',
}: {
  checked: boolean
  onChange: () => void
  children?: ReactNode
  label?: string
  className?: string
}) {
  const isAlone = children === undefined
  const box = (
    <input
      type="checkbox"
      aria-label={label}
      checked={checked}
      onChange={onChange}
      className={`mt-1 size-4 accent-brine ${isAlone ? 'pointer-coarse:mt-0' : 'shrink-0 self-start'}`}
    />
  )
  // Alone in a table it has room around it that is pressed, too.
  if (isAlone) return <label className="alone inline-grid place-items-center">{box}</label>
  return (
    <label className={`flex gap-1.5 ${className}`}>
      {box}
      <span>{children}</span>
    </label>
  )
}
