import { type FormEvent, useState } from 'react'
import { api, data, messageOf, type Schemas } from '@/api/client'
import { booksChanged } from '@/api/queries'
import { figure, typedAmount } from '@/parts/figures'

/** Begins a statement from paper: the day it closes and the balance that it states. */
export function NewStatement({
  row,
  autoFocus,
  onBegun,
}: {
  row: Schemas['AccountToReconcileJson']
  autoFocus: boolean
  onBegun: (id: string) => void
}) {
  const [closesOn, setClosesOn] = useState(row.nextClosesOn)
  const [closing, setClosing] = useState('')
  const [opening, setOpening] = useState('')
  const [problem, setProblem] = useState('')
  const amount = typedAmount(closing)

  async function begin(event: FormEvent) {
    event.preventDefault()
    if (amount === undefined)
      return setProblem('Type the closing balance as it stands on the statement, such as 2,409.65.')
    try {
      const body = { accountId: row.accountId, closesOn, closing: amount, opening: typedAmount(opening) }
      const begun = await data(api.POST('/api/statements', { body }))
      await booksChanged()
      onBegun(begun.id)
    } catch (error) {
      setProblem(messageOf(error))
    }
  }

  return (
    <form className="flex flex-col gap-3 flex-1" onSubmit={begin}>
      <p className="q">
        With the statement beside the screen: its last day and the balance at its end. What is owed on a card or a loan
        is below zero.
      </p>
      <label className="field">
        Closes on
        <input
          type="date"
          required
          value={closesOn}
          onChange={(e) => setClosesOn(e.target.value)}
          // biome-ignore lint/a11y/noAutofocus: opened by a key, the person is about to type here
          autoFocus={autoFocus}
        />
      </label>
      <label className="field">
        Closing balance, {row.currency}
        <input
          inputMode="decimal"
          className="n"
          value={closing}
          aria-invalid={closing !== '' && amount === undefined}
          onChange={(e) => setClosing(e.target.value)}
        />
      </label>
      <label className="field">
        Opening balance, if the statement says it
        <input
          inputMode="decimal"
          className="n"
          value={opening}
          placeholder={figure(row.agreedBalance)}
          aria-invalid={opening !== '' && typedAmount(opening) === undefined}
          onChange={(e) => setOpening(e.target.value)}
        />
      </label>
      {problem && (
        <p className="note-error" role="alert">
          {problem}
        </p>
      )}
      <div className="acts">
        <button type="submit" className="btn go wide">
          Begin to tick <kbd>Enter</kbd>
        </button>
      </div>
    </form>
  )
}
