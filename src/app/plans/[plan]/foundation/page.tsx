import { FoundationStation } from '@/features/foundation'

export default function FoundationPage() {
  return <FoundationStation />
}
