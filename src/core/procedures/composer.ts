import { landed } from '../camera/live/edit'
import type { LiveEvent } from '../camera/live/events'
import { live } from '../camera/live/live'
import { settingsNow, type LiveState } from '../camera/live/state'
import { memoize } from '../memoize'
import { showValue } from '../model/domain'
import { lookup } from '../model/lookup'
import { pressesTo, setUpLines, type MenuPlace } from '../model/menu'
import type { ActKind } from '../model/menu-types'
import type { Act, BodyModel, Control, ModePosition, Setting, SetUpPage } from '../model/types'
import { describeRow, showRow, type RowId } from '../plan/rows'
import { must } from '../result'
import type { State } from '../resolve/state'
import type { Value } from '../vocabulary/values'
import type { ProcedureAct, Undone } from './types'
import { bodyFor, type SetOrder } from './wanted'

/** What of an act is not as it usually is. */
export type ActOptions = Partial<
  Pick<ProcedureAct, 'after' | 'because' | 'warning' | 'expect' | 'part' | 'row' | 'where'>
>

/**
 * Writes acts down as they are done on a simulated body: where it then stands, and what it remembers, decides what the next
 * act has to say. Nothing is written for what stands already.
 */
export class Composer {
  readonly acts: ProcedureAct[] = []
  readonly undone: Undone[] = []
  state: LiveState
  private line: MenuPlace | null = null
  private known: State | null = null

  readonly model: BodyModel

  constructor(order: SetOrder) {
    this.model = order.model
    this.state = bodyFor(order, order.from)
  }

  /** What the settings amount to as the body stands now. */
  settings(): State {
    return (this.known ??= settingsNow(this.model, this.state))
  }

  /** Events taken as they are, without an act of their own. */
  play(events: readonly LiveEvent[]): void {
    for (const event of events) this.state = must(live(this.model, this.state, event)).state
    this.known = null
  }

  /** The body as it stood before: what was only tried has no trace. */
  standAgain(state: LiveState): void {
    this.state = state
    this.known = null
  }

  /** Work for which the camera has to stand somewhere: where nothing comes of it, it was never turned there. */
  standing<T>(stand: () => void, work: () => T): T {
    const [before, state, line] = [this.acts.length, this.state, this.line]
    stand()
    const stood = this.acts.length
    const done = work()
    if (this.acts.length > stood) return done
    this.acts.length = before
    this.line = line
    this.standAgain(state)
    return done
  }

  /** Turns the mode dial, or leaves a bank: nothing where the camera stands there already. */
  turnTo(position: ModePosition): void {
    const isPlain = Object.values(this.state.banks).every((slot) => slot === null)
    if (this.state.position === position.id && (isPlain || position.kind === 'slot')) return
    const dial = modeDial(this.model) !== null
    this.stand(
      `dial-${position.id}`,
      dial ? `Turn the mode dial to ${position.name}` : `Stand in ${position.name}`,
      [
        ...Object.entries(this.state.banks).flatMap(([family, slot]): LiveEvent[] =>
          slot === null || position.kind === 'slot' ? [] : [{ kind: 'recall', family, slot: null }],
        ),
        { kind: 'position', position: position.id },
      ],
      modeDial(this.model),
    )
  }

  /** Recalls a bank. */
  recall(family: string, slot: string, name: string): void {
    if (this.state.banks[family] === slot) return
    const stop = this.model.positions.find((one) => one.family === family && one.slot === slot)
    const called = stop && stop.name !== name ? `${name} (${stop.name})` : name
    const words = stop ? `Turn the mode dial to ${called}` : `Recall ${name}`
    this.stand(
      `slot-${family}-${slot}`,
      words,
      [stop ? { kind: 'position', position: stop.id } : { kind: 'recall', family, slot }],
      stop ? modeDial(this.model) : null,
    )
  }

  /** Something that changes how the camera stands; said again each time it has to stand so again. */
  stand(name: string, words: string, events: readonly LiveEvent[], control: Control | null = null): void {
    const again = this.acts.filter(({ id }) => id.startsWith(`stand/${name}#`)).length + 1
    this.play(events)
    this.line = null
    this.add({
      id: `stand/${name}#${again}`,
      kind: 'stand',
      words,
      where: control?.where ?? '',
      control: control?.id ?? null,
      asks: words,
      events,
    })
  }

  /** A value set at its line of the menu; the row of the body's memory in which it lands is its id. */
  set(setting: Setting, value: Value, row: RowId, options: ActOptions = {}): void {
    const chain = this.settings().chains.get(setting.id) ?? []
    const before = chain.findLast((link) => link.layer !== 'rule')?.value ?? setting.factory
    const place = lookup(this.model).menuPlaces.get(setting.id)
    const [was, is] = [before, value].map((one) => showValue(setting.domain, one))
    const words = was === is ? `${setting.label}: ${is}, as it is` : `${setting.label}: ${was} → ${is}`
    this.state = landed(this.model, this.state, setting, value, chain)
    this.known = null
    this.add({
      id: this.idOf(row),
      kind: 'set',
      words,
      where: place?.address ?? 'The definition names no menu line for it: look for it on the body',
      part: place ? this.pageOf(place) : '',
      row,
      sets: value,
      asks: JSON.stringify(value),
      presses: this.pressesTo(place),
      events: [{ kind: 'menu', setting: setting.id, value }],
      ...options,
    })
  }

  /** The same for many: settings that no rule asks for leave everything else as it is. */
  keepKnown(known: State): void {
    this.known = known
  }

  /** A row of a set-up page. */
  page(row: RowId, value: Value | null, on: SetUpPage | null, options: ActOptions = {}): void {
    const line = on === null ? undefined : setUpLines(this.model).find(({ opens }) => opens === on)
    const place = line && lookup(this.model).menuPlaces.get(line.id)
    const { memory } = this.state.body
    const events: LiveEvent[] = [{ kind: 'setUp', row, value }]
    const kept = options.row ?? row
    const was = showRow(this.model, row, memory[kept] ?? memory[row] ?? null)
    const is = showRow(this.model, row, value)
    this.play(events)
    this.add({
      id: this.idOf(kept),
      kind: 'page',
      words: `${describeRow(this.model, row)}: ${was === is ? is : `${was} → ${is}`}`,
      where: place?.address ?? '',
      part: line?.name ?? '',
      row,
      sets: value,
      asks: JSON.stringify(value),
      presses: this.pressesTo(place),
      events,
      ...options,
    })
  }

  /** What is in force stored to a bank. */
  store(family: string, slot: string, name: string, again: boolean, options: ActOptions = {}): void {
    const events: LiveEvent[] = [{ kind: 'register', family, slot }]
    const place = this.storing()
    this.play(events)
    this.add({
      id: `${again ? 'store-again' : 'store'}/${family}/${slot}`,
      kind: 'store',
      words: again ? `Store to ${name} again` : `Store to ${name}`,
      where: place?.address ?? '',
      part: name,
      asks: name,
      presses: this.pressesTo(place),
      events,
      ...options,
    })
  }

  /** The menu address at which banks are stored and named; empty where the definition names none. */
  storedAt(): string {
    return this.storing()?.address ?? ''
  }

  private storing(): MenuPlace | undefined {
    const act = this.model.acts.find(({ does }) => does === 'register')
    return act && lookup(this.model).menuPlaces.get(act.id)
  }

  /** An act of the menu of some kind; nothing where the model has none. Gives back its id. */
  menuAct(does: ActKind, options: Partial<ProcedureAct> = {}): string | null {
    const act = this.model.acts.find((one) => one.does === does && one.by === undefined)
    return act ? this.actOf(act, options) : null
  }

  /** An act of the model, once each time it is asked for. */
  actOf(act: Act, options: Partial<ProcedureAct> = {}): string {
    const place = lookup(this.model).menuPlaces.get(act.id)
    const events: readonly LiveEvent[] = options.events ?? [{ kind: 'act', act: act.id }]
    const again = this.acts.filter(({ id }) => id.startsWith(`act/${act.id}#`)).length + 1
    this.play(events)
    return this.add({
      id: `act/${act.id}#${again}`,
      kind: 'menu',
      words: act.name,
      where: place?.address ?? act.by ?? '',
      asks: act.id,
      presses: this.pressesTo(place),
      ...(act.warning === undefined ? {} : { warning: act.warning }),
      ...options,
      events,
    })
  }

  /** Something done around the camera, or looked at. */
  doing(id: string, words: string, options: Partial<ProcedureAct> = {}): string {
    this.play(options.events ?? [])
    return this.add({ id: `do/${id}`, kind: 'do', words, asks: words, ...options })
  }

  /** Switched off and on again: what was loaded or reset comes into force. */
  restart(after: readonly string[], because: string): string {
    const n = this.acts.filter(({ id }) => id.startsWith('do/restart')).length + 1
    return this.doing(`restart#${n}`, 'Switch the camera off and on again', {
      events: [
        { kind: 'power', on: false },
        { kind: 'power', on: true },
      ],
      after,
      because,
      part: this.acts.at(-1)?.part ?? '',
    })
  }

  /** Writes one act down as it is. */
  add(act: Pick<ProcedureAct, 'id' | 'kind' | 'words' | 'asks'> & Partial<ProcedureAct>): string {
    // How the camera has to stand for an act belongs under the heading of that act.
    for (let i = this.acts.length - 1; this.acts[i]?.kind === 'stand' && this.acts[i]?.part === ''; i--)
      this.acts[i] = { ...(this.acts[i] as ProcedureAct), part: act.part ?? '' }
    this.acts.push({
      where: '',
      part: '',
      stands: this.stands(),
      control: null,
      row: null,
      presses: 0,
      events: [],
      after: [],
      ...act,
    })
    return act.id
  }

  /** The id of an act that sets a row; a row set several times has as many things to do. */
  private idOf(row: RowId): string {
    const before = this.acts.filter(({ row: set }) => set === row).length
    return before === 0 ? `set/${row}` : `set/${row}#${before + 1}`
  }

  private stands(): string {
    const { state, model } = this
    const position = model.positions.find(({ id }) => id === state.position)
    const banks = Object.entries(state.banks).flatMap(([family, slot]) => {
      if (slot === null) return []
      const word = model.families.find(({ id }) => id === family)?.slots.find(({ id }) => id === slot)?.name
      return [word ?? slot]
    })
    if (position?.kind === 'slot' || banks.length === 0)
      return position ? `${modeDial(model) === null ? '' : 'Mode dial at '}${position.name}` : ''
    return [position?.name, ...banks].filter((one) => one !== undefined).join(', ')
  }

  private pageOf({ page }: MenuPlace): string {
    return this.model.menu[page]?.name ?? ''
  }

  private pressesTo(place: MenuPlace | undefined): number {
    if (!place) return 0
    const presses = pressesTo(this.line, place)
    this.line = place
    return presses
  }
}

/** The dial by which a camera changes its position; null where it is a line of the menu, or a key. */
const modeDial = memoize((model: BodyModel): Control | null => {
  const { functions, addresses } = lookup(model)
  const turns = (id: string | null) => functions.get(id ?? '')?.means === 'controls.modeDial'
  return [...addresses.values()].find(({ factory }) => turns(factory))?.control ?? null
})
