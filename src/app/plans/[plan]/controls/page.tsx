import { ControlsStation } from '@/features/controls'

export default function ControlsPage() {
  return <ControlsStation />
}
