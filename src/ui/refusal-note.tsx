import type { Refusal } from '@/core/result'

/** A refusal told where it happened: what, and where. */
export function RefusalNote({ refusal }: { refusal: Refusal }) {
  return (
    <p role="alert" className="border-l-3 border-rust bg-sheet px-3 py-2">
      <span className="font-semibold text-rust">Not done. </span>
      {refusal.message}
      {refusal.where && (
        <span className="mt-1 block break-all font-mono text-small text-silt">{refusal.where}</span>
      )}
    </p>
  )
}
