'use client'

import { useEffect, useMemo, useState } from 'react'
import { memoryOf, type Memory } from '@/core/camera/memory'
import { bodiesIn } from '@/core/inventory/records'
import { emptyInventory } from '@/core/inventory/rows'
import { planFor } from '@/core/plan/bodies'
import { planTitle, type Plan } from '@/core/plan/plan'
import { sheetRow, type Rows } from '@/core/plan/rows'
import { chosenFor } from '@/core/sheets/chosen'
import type { Against, OtherPlan, SheetOrder } from '@/core/sheets/given'
import { sheetForm, sheetForms, type SheetForm, type SheetKind } from '@/core/sheets/catalogue'
import type { PaperId } from '@/core/sheets/page/page'
import type { BodyModel } from '@/core/model/types'
import { useDesk, useDeskPart, usePlan, usePlaceInPage, useRevision } from '@/features/desk'
import { useKeptPart } from '@/features/documents'
import { useShared } from '@/ui/use-shared'
import { useStable } from '@/ui/use-stable'
import type { SheetFile } from '@/writers/forms'
import type { Composed } from '@/workers/sheet.worker'
import { saveAs } from './save-as'
import { useSheetThread } from './sheet-thread'
import { useFetched } from '@/ui/use-fetched'

/** Stands for every body, one after the other. */
export const eachBody = '*'

/** What the station is given by the server. */
export interface SheetsKnown {
  readonly revisions: readonly { readonly number: number; readonly at: string; readonly note: string }[]
  /** What each body is believed to hold, by tag. */
  readonly held: Readonly<Record<string, Memory>>
}

/** What the Sheets station knows and does: the sheet in hand, of what and for whom, its pages, and its files. */
export function useSheets(known: SheetsKnown) {
  const desk = useDesk()
  const plan = usePlan()
  const { model, lenses, inventory, planId } = desk.start
  const [id, setId] = useState<SheetKind>('pocket')
  const [tag, setTag] = useState('')
  const [of, setOf] = useState('now')
  const [against, setAgainst] = useState('')
  const form = sheetForm(id) ?? sheetForms[0]
  const { paper, without } = chosenFor(plan, form)
  const bodies = bodiesIn(inventory ?? emptyInventory).filter((one) => one.model === model.id)
  useKeptPart(`/plans/${planId}/sheets`, known)
  usePlaceInPage((named) => {
    const found = sheetForms.find((one) => one.id === named)
    if (found) setId(found.id)
  })
  const revision = useFetched<{ rows: Rows; leftOut: number }>(
    of === 'now' ? null : `/api/plans/${planId}/revisions/${of}`,
  )
  const shown = useMemo(
    (): Plan | null =>
      of === 'now' ? plan : revision.value ? { model: plan.model, rows: revision.value.rows } : null,
    [of, plan, revision.value],
  )
  const other = useAgainst({
    ...{ against: id === 'difference' ? against : '', known, plan, model, planId, bodies },
  })
  const isOthers = id === 'continuity' || id === 'public'
  const others = useFetched<{ others: OtherPlan[]; siblings: BodyModel[] }>(
    isOthers ? `/api/plans/${planId}/others` : null,
  )
  const stand = useStand(of, known)
  const asked = useShared(
    bodies
      .filter((one) => tag === eachBody || one.tag === tag)
      .map((one) => ({ tag: one.tag, name: one.name })),
  )
  const orders = useMemo((): readonly SheetOrder[] => {
    if (!shown) return []
    const common = {
      ...{ model, plan: shown, lenses, ...stand, against: other.value },
      others: others.value?.others ?? [],
      siblings: others.value?.siblings ?? [],
    }
    return asked.length > 0 ? asked.map((body) => ({ ...common, body })) : [{ ...common, body: null }]
  }, [model, shown, lenses, stand, other.value, asked, others.value])
  const made = useComposed(form, orders, without, paper)
  return {
    ...{ id, form, tag, bodies, of, against, paper, without, planId, ...made },
    revisions: known.revisions,
    refusal: revision.refusal ?? other.refusal ?? others.refusal ?? made.failed,
    leftOut: of === 'now' ? 0 : (revision.value?.leftOut ?? 0),
    choose: setId,
    chooseBody: setTag,
    chooseOf: setOf,
    chooseAgainst: setAgainst,
    againstChoices: againstChoices(known, bodies, tag),
    setPaper: (next: PaperId) =>
      desk.set({ [sheetRow(form.id, 'paper')]: next === form.paper ? null : next }),
    togglePart: (part: string) => {
      const next = without.includes(part) ? without.filter((one) => one !== part) : [...without, part]
      desk.set({ [sheetRow(form.id, 'without')]: next.length === 0 ? null : next })
    },
  }
}

/** What the screen is given. */
export type SheetsStationKnown = ReturnType<typeof useSheets>

/** Of which revision it is, in words. */
function useStand(of: string, known: SheetsKnown) {
  const newest = useRevision()
  const version = useDeskPart('version')
  return useMemo(() => {
    const day = (at: Date | string) =>
      new Intl.DateTimeFormat('en-GB', { dateStyle: 'long' }).format(new Date(at))
    if (of !== 'now') {
      const revision = known.revisions.find(({ number }) => String(number) === of)
      return { stand: `Revision ${of}${revision ? `, ${day(revision.at)}` : ''}`, isDraft: false }
    }
    if (newest?.planVersion === version)
      return { stand: `Revision ${newest.number}, ${day(new Date())}`, isDraft: false }
    return { stand: `Draft, step ${version}, ${day(new Date())}`, isDraft: true }
  }, [of, known, newest, version])
}

function againstChoices(known: SheetsKnown, bodies: readonly { tag: string; name: string }[], tag: string) {
  return [
    ...bodies
      .filter((one) => one.tag !== tag)
      .map((one) => [`body ${one.tag}`, `${one.name} as planned`] as const),
    ...bodies
      .filter((one) => known.held[one.tag] !== undefined)
      .map((one) => [`held ${one.tag}`, `what ${one.name} is believed to hold`] as const),
    ...known.revisions.map(
      ({ number, note }) =>
        [`revision ${number}`, `Revision ${number}${note === '' ? '' : `, ${note}`}`] as const,
    ),
    ['delivered', 'the camera as delivered'] as const,
  ]
}

/** The other side of a difference: another body, a belief, a revision, or the camera as delivered. */
function useAgainst({
  against,
  known,
  plan,
  model,
  planId,
  bodies,
}: {
  against: string
  known: SheetsKnown
  plan: Plan
  model: BodyModel
  planId: string
  bodies: readonly { readonly tag: string; readonly name: string }[]
}): { value: Against | null; refusal: string | null } {
  const [what = '', name = ''] = against.split(' ')
  const named = bodies.find((one) => one.tag === name)?.name ?? name
  const revision = useFetched<{ rows: Rows }>(
    what === 'revision' ? `/api/plans/${planId}/revisions/${name}` : null,
  )
  const value = useMemo((): Against | null => {
    if (what === 'body') return { name: named, tag: name, memory: memoryOf(model, planFor(plan, name)) }
    if (what === 'held') {
      const memory = known.held[name]
      return memory ? { name: `${named}, as believed`, memory } : null
    }
    if (what === 'revision')
      return revision.value
        ? {
            name: `Revision ${name}`,
            memory: memoryOf(model, { model: plan.model, rows: revision.value.rows }),
          }
        : null
    return what === 'delivered'
      ? { name: 'As delivered', memory: memoryOf(model, { model: plan.model, rows: {} }) }
      : null
  }, [what, name, named, known, plan, model, revision.value])
  return { value, refusal: revision.refusal }
}

/** The sheet composed in its worker, and written as a file; what is under way can be stopped. */
function useComposed(
  form: SheetForm,
  orders: readonly SheetOrder[],
  without: readonly string[],
  paper: PaperId,
) {
  const [composed, setComposed] = useState<(Composed & { readonly of: readonly unknown[] }) | null>(null)
  const [failed, setFailed] = useState<string | null>(null)
  const [writing, setWriting] = useState<SheetFile | null>(null)
  const onFault = useStable((words: string) => {
    setFailed(`The sheet could not be made: ${words}.`)
    setWriting(null)
  })
  const { thread, end } = useSheetThread(onFault)
  const parts = without.join(' ')
  useEffect(() => {
    const [first, ...more] = orders
    if (!first) return
    let late = false
    thread()
      .compose(form.id, [first, ...more], parts === '' ? [] : parts.split(' '), paper)
      .then((made) => {
        if (!late && made) {
          setComposed({ ...made, of: [form.id, orders, parts, paper] })
          setFailed(null)
        }
      })
      .catch((error: unknown) => onFault(error instanceof Error ? error.message : 'it stopped'))
    return () => {
      late = true
    }
  }, [thread, form.id, orders, parts, paper, onFault])
  const write = async (file: SheetFile) => {
    const [first] = orders
    if (!composed || !first) return
    setWriting(file)
    setFailed(null)
    const { model, plan, body } = first
    try {
      const bytes = await thread().write(file, composed.sheets, {
        model,
        plan,
        tag: body?.tag ?? null,
        paper,
      })
      saveAs(bytes, file, `${planTitle(plan)} ${composed.sheets[0].title}`)
    } catch (error) {
      setFailed(`The file could not be written: ${error instanceof Error ? error.message : 'it stopped'}.`)
    }
    setWriting(null)
  }
  const stop = () => {
    end()
    setWriting(null)
  }
  const isOld = composed?.of[0] !== form.id
  const isAnew = [form.id, orders, parts, paper].some((one, i) => one !== composed?.of[i])
  return {
    isAnew,
    ...{ failed, writing, write, stop },
    pages: isOld ? null : composed.pages,
  }
}
