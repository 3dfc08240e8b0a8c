'use client'

import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react'
import type { ReactNode } from 'react'

/** Chooses one of a few panels that stand in the same place; `children` is the one picked. */
export function Tabs<T extends string>({
  label,
  names,
  picked,
  onPick,
  children,
}: {
  label: string
  /** The panels by what they are called, in order. */
  names: Readonly<Record<T, string>>
  picked: T
  onPick: (panel: T) => void
  children: ReactNode
}) {
  const panels = Object.keys(names) as T[]
  return (
    <TabGroup
      selectedIndex={panels.indexOf(picked)}
      onChange={(at) => {
        const panel = panels[at]
        if (panel !== undefined) onPick(panel)
      }}
    >
      <TabList aria-label={label} className="mb-3 flex border-b">
        {panels.map((one) => (
          <Tab
            key={one}
            className="-mb-px min-h-10 flex-auto border-b-2 px-1 border-transparent font-medium text-silt aria-selected:border-brine aria-selected:text-brine"
          >
            {names[one]}
          </Tab>
        ))}
      </TabList>
      <TabPanels>
        {panels.map((one) => (
          <TabPanel key={one} tabIndex={-1}>
            {one === picked && children}
          </TabPanel>
        ))}
      </TabPanels>
    </TabGroup>
  )
}
