'use client'

export function MenusStation() {
  return <main />
}
