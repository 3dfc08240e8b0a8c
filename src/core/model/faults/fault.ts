import type { Refusal } from '../../result'

/** A contradiction in a model, with the path of the place. */
export function fault(code: string, where: string, message: string): Refusal {
  return { code, message, where }
}

/** A fault for each id that `known` does not have; `message` is given the id. */
export function dangling(
  where: string,
  ids: readonly (string | undefined)[],
  known: readonly { readonly id: string }[],
  message: (id: string) => string,
): Refusal[] {
  return ids.flatMap((id) =>
    id === undefined || known.some((one) => one.id === id) ? [] : [fault('dangling', where, message(id))],
  )
}
