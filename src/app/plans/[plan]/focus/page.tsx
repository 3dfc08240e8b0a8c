import { FocusStation } from '@/features/focus'

export default function FocusPage() {
  return <FocusStation />
}
