import { FocusStation } from '@/features/focus/focus-station'

export default function FocusPage() {
  return <FocusStation />
}
