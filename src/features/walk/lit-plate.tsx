import { LitFace } from '@/ui/plate/drawing'
import type { WalkStart } from './start'

/** The face of the body with the place of an act lit; nothing where the act has none. */
export function LitPlate({
  control: id,
  faces,
  controls,
}: { control: string | null } & Pick<WalkStart, 'faces' | 'controls'>) {
  const control = controls.find((one) => one.id === id)
  const face = faces.find((one) => one.id === control?.face)
  if (!control || !face) return null
  return (
    <figure className="grid justify-items-center gap-1">
      <LitFace
        face={face}
        controls={controls.filter((one) => one.face === face.id)}
        lit={new Set([control.id])}
        label={`${face.name}, with the place lit`}
        className="max-h-48 w-full max-w-sm"
      />
      <figcaption className="text-small text-silt">{face.name}</figcaption>
    </figure>
  )
}
