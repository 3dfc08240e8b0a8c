'use client'

import { useRouter } from 'next/navigation'
import { NamedSelect } from '@/ui/select'

/** Which other body of the model this one is held against. */
export function TwinChoice({
  tag,
  twins,
  chosen,
}: {
  tag: string
  twins: readonly { readonly tag: string; readonly name: string }[]
  chosen: string
}) {
  const router = useRouter()
  return (
    <NamedSelect
      label="Held against"
      value={chosen}
      options={twins.map((one) => [one.tag, one.name] as const)}
      onPick={(other) => router.replace(`/bodies/${tag}?against=${other}`, { scroll: false })}
    />
  )
}
