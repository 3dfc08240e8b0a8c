'use client'

/** What stands beside the plate. */
export const panels = ['key', 'reach', 'dials', 'suggest'] as const

/** One of `panels`. */
export type Panel = (typeof panels)[number]

const names: Record<Panel, string> = { key: 'Keys', reach: 'Reach', dials: 'Dials', suggest: 'Suggest' }

/** Chooses what stands beside the plate. */
export function PanelTabs({ panel, onPick }: { panel: Panel; onPick: (panel: Panel) => void }) {
  return (
    <div role="group" aria-label="Beside the plate" className="mb-3 flex border-b">
      {panels.map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={one === panel}
          onClick={() => onPick(one)}
          className="-mb-px min-h-10 flex-1 border-b-2 border-transparent font-medium text-silt aria-pressed:border-brine aria-pressed:text-brine"
        >
          {names[one]}
        </button>
      ))}
    </div>
  )
}
