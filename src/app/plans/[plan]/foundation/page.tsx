import { FoundationStation } from '@/features/foundation/foundation-station'

export default function FoundationPage() {
  return <FoundationStation />
}
