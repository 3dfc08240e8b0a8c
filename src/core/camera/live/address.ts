import type { BodyModel, LensModel } from '../../model/types'
import type { Context } from '../../resolve/context'

/** Where a body is to stand, as short text for an address: side, lens, slots, keys held; see `readPlace`. */
export function writePlace(context: Context, held: readonly string[]): string {
  const banks = Object.entries(context.banks).flatMap(([family, slot]) =>
    slot === null ? [] : [`${family}=${slot}`],
  )
  return [context.side, context.lens.id, banks.join(','), held.join('+')].join('|')
}

/** The context and the keys of such a text; what it names and the model has not is left out. */
export function readPlace(
  model: BodyModel,
  lenses: readonly LensModel[],
  usual: Context,
  text: string,
): { readonly context: Context; readonly held: readonly string[] } {
  const [side = '', lens = '', banks = '', held = ''] = text.split('|')
  const slots = Object.fromEntries(
    banks.split(',').flatMap((one) => {
      const [family, slot] = one.split('=')
      const found = model.families.find(({ id }) => id === family)
      return found?.slots.some(({ id }) => id === slot) ? [[found.id, slot ?? null]] : []
    }),
  )
  const { position: _usual, ...rest } = usual
  const sided = model.sides.find((one) => one === side) ?? usual.side
  const plain = Object.fromEntries(model.families.map(({ id }) => [id, null]))
  const standsPlain = Object.keys(slots).length === 0 && sided === usual.side
  return {
    context: {
      ...rest,
      ...(standsPlain && usual.position !== undefined ? { position: usual.position } : {}),
      side: sided,
      lens: lenses.find(({ id }) => id === lens) ?? usual.lens,
      banks: { ...plain, ...slots },
    },
    held: held.split('+').filter((one) => one !== ''),
  }
}
