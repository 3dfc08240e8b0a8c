// @vitest-environment jsdom
import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { renderToString } from 'react-dom/server'
import { describe, expect, it, vi } from 'vitest'
import { HeadedFold, LongFold } from './fold'

describe('something long that is folded', () => {
  it('is drawn when somebody opens it first, and stays as it is when it is folded again', async () => {
    const drawn = vi.fn(() => <input aria-label="inside" />)
    render(<LongFold title="Many files">{drawn}</LongFold>)
    expect(drawn).not.toHaveBeenCalled()
    const user = userEvent.setup()
    await user.click(screen.getByText('Many files'))
    await user.type(screen.getByLabelText('inside'), 'begun')
    await user.click(screen.getByText('Many files'))
    expect(screen.getByLabelText<HTMLInputElement>('inside').value).toBe('begun')
  })

  it('is drawn where it was opened before the page answered', () => {
    const fold = (
      <HeadedFold summary="Head" summaryClass="">
        {() => <p>inside</p>}
      </HeadedFold>
    )
    const container = document.createElement('div')
    container.innerHTML = renderToString(fold)
    document.body.append(container)
    expect(container.textContent).toBe('Head')
    container.querySelector('details')?.setAttribute('open', '')
    render(fold, { container, hydrate: true })
    expect(container.textContent).toBe('Headinside')
  })
})
