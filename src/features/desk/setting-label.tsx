import type { Setting } from '@/core/model/types'
import { Explain } from '@/ui/explain'

/** A setting's label as its model has it, with a question mark that opens to its standard term and a plain sentence. */
export function SettingLabel({ setting: { label, means } }: { setting: Pick<Setting, 'label' | 'means'> }) {
  return (
    <>
      {label}
      <Explain label={label} about={{ means: { kind: 'setting', id: means } }} />
    </>
  )
}
