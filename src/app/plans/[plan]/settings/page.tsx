import { SettingsStation } from '@/features/settings'

export default function SettingsPage() {
  return <SettingsStation />
}
