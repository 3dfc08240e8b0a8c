import { Button } from '@/ui/button'
import { PageDialog } from '@/ui/dialog'

/** Keys that hold at every station. */
const everywhere = [
  ['Ctrl Z', 'undo; with Shift, redo'],
  ['Ctrl K', 'find anything: a key, function, setting, bank, plan or body'],
  ['?', 'this list'],
] as const

/** The keys of a screen, in a dialog. */
export function ShortcutDialog({
  keys,
  onClose,
}: {
  keys: readonly (readonly [key: string, what: string])[]
  onClose: () => void
}) {
  return (
    <PageDialog title="Keys of this screen" className="max-w-md p-5" onClose={onClose}>
      <dl className="mt-3 grid grid-cols-[90px_1fr] gap-y-1.5">
        {[...keys, ...everywhere].map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="font-mono font-semibold">{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <Button main className="mt-4" onClick={onClose}>
        Close
      </Button>
    </PageDialog>
  )
}
