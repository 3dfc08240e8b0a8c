// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { answering, keepEarlyPresses } from './early-presses'

const said = vi.fn<(name: string) => void>()
const at = (name: string) => document.getElementById(name) as HTMLElement
const answer = () => document.dispatchEvent(new Event(answering))

beforeEach(() => {
  document.body.innerHTML =
    '<button id="done"><b id="word">Done</b></button><input id="box" type="checkbox"><p id="text">Text</p>'
  keepEarlyPresses(answering)
  for (const name of ['done', 'box', 'text']) at(name).addEventListener('click', () => said(name))
})
afterEach(() => {
  answer()
  said.mockReset()
})

describe('what is pressed before the page’s own code has come', () => {
  it('is pressed when the code is there, once however often it was pressed, in the order of the first presses', () => {
    at('done').click()
    at('box').click()
    at('word').click()
    expect(said.mock.calls).toEqual([])
    answer()
    expect(said.mock.calls).toEqual([['done'], ['box']])
    expect((at('box') as HTMLInputElement).checked).toBe(true)
  })

  it('shows that it is kept until then', () => {
    at('word').click()
    expect(at('done').hasAttribute('data-kept')).toBe(true)
    answer()
    expect(at('done').hasAttribute('data-kept')).toBe(false)
  })

  it('leaves alone what is nothing to press, and all that is pressed later', () => {
    at('text').click()
    expect(said.mock.calls).toEqual([['text']])
    answer()
    at('done').click()
    at('done').click()
    expect(said.mock.calls).toEqual([['text'], ['done'], ['done']])
  })
})
