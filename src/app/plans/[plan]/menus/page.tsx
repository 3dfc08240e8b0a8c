import { MenusStation } from '@/features/menus/menus-station'

export default function MenusPage() {
  return <MenusStation />
}
