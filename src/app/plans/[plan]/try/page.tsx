import { TryStation } from '@/features/try'

export default function TryPage() {
  return <TryStation />
}
