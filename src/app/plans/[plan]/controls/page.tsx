import { ControlsStation } from '@/features/controls/controls-station'

export default function ControlsPage() {
  return <ControlsStation />
}
