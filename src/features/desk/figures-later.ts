'use client'

import { later } from '@/ui/later'

/** The figures of settings, loaded once a page that has them is there: nothing waits for them. */
export const SettingFigures = later(() => import('./setting-figures').then((one) => one.SettingFigures))
