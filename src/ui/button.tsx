import type { ButtonHTMLAttributes, ReactNode } from 'react'

type Props = ButtonHTMLAttributes<HTMLButtonElement>

/** A button with words; `main` is the one thing to do here. */
export function Button({ main = false, className = '', ...rest }: Props & { main?: boolean }) {
  const look = main
    ? 'bg-brine text-on-brine border-brine hover:opacity-90'
    : 'bg-sheet text-ink hover:border-brine hover:text-brine'
  return (
    <button
      type="button"
      className={`min-h-9 rounded-md border px-3 py-1 font-medium disabled:opacity-50 ${look} ${className}`}
      {...rest}
    />
  )
}

/** A quiet button inside text: an offer to do something. */
export function Offer({ className = '', ...rest }: Props) {
  return (
    <button
      type="button"
      className={`text-left font-semibold text-brine underline decoration-rule underline-offset-3 hover:decoration-brine ${className}`}
      {...rest}
    />
  )
}

/** A button that shows a sign only; its label is spoken and shown as a tip. */
export function IconButton({
  label,
  children,
  className = '',
  ...rest
}: Props & { label: string; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      className={`grid size-9 place-items-center pointer-coarse:size-11 rounded-md border bg-sheet text-ink hover:border-brine hover:text-brine disabled:opacity-40 ${className}`}
      {...rest}
    >
      {children}
    </button>
  )
}
