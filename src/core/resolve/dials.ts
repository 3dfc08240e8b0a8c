import type { Address } from '../model/addresses'
import { lookup } from '../model/lookup'
import type { AssignSide, BodyModel, Control, LensModel, ModelFunction } from '../model/types'
import { functionAt } from '../plan/assign'
import type { Plan } from '../plan/plan'
import { standingAt, usualContext } from './context'
import { judgeAt, resolve } from './resolve'
import { decisive, type StateIn, type Verdict } from './resolved'

/** One turn of one dial: what it does, and in which exposure modes it does nothing. */
export interface DialRow {
  readonly address: Address
  readonly fn: ModelFunction | null
  /** Exposure modes, by name, in which it does nothing, with the reason. */
  readonly idle: readonly {
    readonly modes: readonly string[]
    /** It is so in all of them. */
    readonly everywhere: boolean
    readonly verdict: Verdict
    readonly because: string
  }[]
}

/** Every dial, wheel and ring of a side with what its turns do; a control may have an assignment for each mode. */
export function dialRows(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  side: AssignSide,
  stateIn: StateIn = (context) => resolve(model, plan, context),
): { control: Control; rows: DialRow[] }[] {
  const plain = usualContext(model, plan, lenses, side)
  const mode = lookup(model).exposureMode
  if (!plain) return []
  const modes = mode?.domain.kind === 'choice' ? mode.domain.values : []
  const states = modes.map(({ id, name }) => ({
    id,
    name,
    resolution: stateIn(
      mode ? standingAt(model, plain.context, { setting: mode.id, value: id }) : plain.context,
    ),
  }))
  const rowOf = (address: Address): DialRow => {
    const id = functionAt(plan, address)
    const fn = lookup(model).functions.get(id ?? '') ?? null
    const reasons = new Map<string, { modes: string[]; verdict: Verdict; because: string }>()
    const asked = address.when && mode && address.when.setting === mode.id
    for (const { id: at, name, resolution } of states) {
      if (asked && address.when?.value !== at) continue
      const said = judgeAt(resolution, address, fn?.id ?? '')
      const { verdict } = said
      if (!fn || (verdict !== 'inert' && verdict !== 'dead')) continue
      const because = decisive(said)?.because ?? ''
      const known = reasons.get(because) ?? { modes: [], verdict, because }
      known.modes.push(name)
      reasons.set(because, known)
    }
    const everywhere = (met: readonly string[]) => met.length === (asked ? 1 : states.length)
    const idle = [...reasons.values()].map((one) => ({ ...one, everywhere: everywhere(one.modes) }))
    return { address, fn, idle }
  }
  return model.controls
    .filter(({ kind }) => ['dial', 'wheel', 'ring', 'lever'].includes(kind))
    .flatMap((control) => {
      const turns = [...lookup(model).addresses.values()].filter(
        (address) => address.side === side && address.control === control && address.gesture.id === 'turn',
      )
      return turns.length === 0 ? [] : [{ control, rows: turns.map(rowOf) }]
    })
}
