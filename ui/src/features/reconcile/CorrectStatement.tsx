import { type FormEvent, useState } from 'react'
import { useNavigate } from 'react-router'
import { api, data, messageOf, type Schemas } from '@/api/client'
import { booksChanged, queryClient } from '@/api/queries'
import { useScopeSearch } from '@/app/scope'
import { figure, typedAmount } from '@/parts/figures'

/** Corrects what was typed or taken from the file, or puts the statement away. */
export function CorrectStatement({ sheet, onClose }: { sheet: Schemas['SheetJson']; onClose: () => void }) {
  const [closesOn, setClosesOn] = useState(sheet.closesOn)
  const [closing, setClosing] = useState(figure(sheet.closing))
  const [problem, setProblem] = useState('')
  const navigate = useNavigate()
  const search = useScopeSearch()
  const params = { path: { id: sheet.id }, query: { version: sheet.version } }

  async function save(event: FormEvent) {
    event.preventDefault()
    const amount = typedAmount(closing)
    if (amount === undefined)
      return setProblem('Type the closing balance as it stands on the statement, such as 2,409.65.')
    try {
      const fresh = await data(api.PUT('/api/statements/{id}', { params, body: { closesOn, closing: amount } }))
      queryClient.setQueryData(['sheet', sheet.id], fresh)
      onClose()
    } catch (error) {
      setProblem(messageOf(error))
    }
  }
  async function putAway() {
    try {
      await api.DELETE('/api/statements/{id}', { params })
      await booksChanged()
      navigate(`/reconcile${search}`)
    } catch (error) {
      setProblem(messageOf(error))
    }
  }

  return (
    <form className="flex flex-col gap-3 flex-1" onSubmit={save} onKeyDown={(e) => e.key === 'Escape' && onClose()}>
      <h2>Correct the statement</h2>
      <label className="field">
        Closes on
        <input type="date" required value={closesOn} onChange={(e) => setClosesOn(e.target.value)} />
      </label>
      <label className="field">
        Closing balance, {sheet.currency}
        <input inputMode="decimal" className="n" value={closing} onChange={(e) => setClosing(e.target.value)} />
      </label>
      {problem && (
        <p className="note-error" role="alert">
          {problem}
        </p>
      )}
      <div className="acts">
        <button type="submit" className="btn go">
          Correct it <kbd>Enter</kbd>
        </button>
        <button type="button" className="btn" onClick={onClose}>
          Leave it <kbd>Esc</kbd>
        </button>
        <button type="button" className="btn kill full" onClick={putAway}>
          Put the statement away
        </button>
      </div>
    </form>
  )
}
