import { invertStep, type Step } from './step'

/** What can be undone and redone, the next one last in each list. */
export interface History {
  readonly undo: readonly Step[]
  readonly redo: readonly Step[]
}

/**
 * Folds a plan's log into what can be undone and redone: an undoing step moves its step to redo, a redoing one
 * moves it back, and a fresh step empties redo. Linear in the log.
 */
export function historyOf(log: readonly Step[]): History {
  const undo: Step[] = []
  const redo: Step[] = []
  for (const step of log) {
    if (step.undoes !== undefined) {
      if (undo.at(-1)?.id === step.undoes) redo.push(undo.pop() as Step)
      else undo.splice(0)
    } else if (step.redoes !== undefined) {
      redo.pop()
      undo.push(step)
    } else {
      redo.splice(0)
      undo.push(step)
    }
  }
  return { undo, redo }
}

/** The step that undoes the newest one, or null. */
export function undoStep(log: readonly Step[], id: string): Step | null {
  const last = historyOf(log).undo.at(-1)
  return last ? { ...invertStep(last, id), undoes: last.id } : null
}

/** The step that redoes the newest undone one, or null. */
export function redoStep(log: readonly Step[], id: string): Step | null {
  const last = historyOf(log).redo.at(-1)
  return last ? { id, changes: last.changes, redoes: last.id } : null
}
