import { TryStation } from '@/features/try/try-station'

export default function TryPage() {
  return <TryStation />
}
