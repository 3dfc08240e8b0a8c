'use client'

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react'
import type { ReactNode } from 'react'

/** A dialog over the page; loaded when it is opened first. */
export function PageDialog({
  title,
  quiet = false,
  className = '',
  onClose,
  children,
}: {
  title: string
  /** The title is spoken and not shown. */
  quiet?: boolean
  className?: string
  onClose: () => void
  children: ReactNode
}) {
  return (
    <Dialog open onClose={onClose} className="relative z-20">
      <div className="fixed inset-0 bg-black/40" aria-hidden="true" />
      <div className="fixed inset-0 grid justify-items-center overflow-y-auto p-4 pt-[10vh]">
        <DialogPanel className={`h-fit w-full border bg-sheet ${className}`}>
          <DialogTitle className={quiet ? 'sr-only' : 'font-head text-title font-semibold'}>
            {title}
          </DialogTitle>
          {children}
        </DialogPanel>
      </div>
    </Dialog>
  )
}
