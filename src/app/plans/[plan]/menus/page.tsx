import { MenusStation } from '@/features/menus'

export default function MenusPage() {
  return <MenusStation />
}
