import { useQuery } from '@tanstack/react-query'
import { api, data, messageOf } from '@/api/client'
import type { Waiting } from '@/features/post/types'
import { Button } from '@/parts/Button'
import { noteBox } from '@/parts/look'
import { Acts, Inspector, InspectorHead } from '@/parts/View'
import { begin } from './draft'
import { RuleEditor } from './RuleEditor'
import type { Rule } from './types'

/** A new rule from waiting lines: what they have in common is worked out and proposed. */
export function RuleFromLines({
  lines,
  accountId,
  onClose,
  onSaved,
}: {
  lines: Waiting[]
  /** Where they would be booked, as far as that is said. */
  accountId: string | undefined
  onClose: () => void
  onSaved: (rule: Rule) => void
}) {
  const lineIds = lines.map((line) => line.id)
  const beginning = useQuery({
    queryKey: ['rule-beginning', lineIds],
    queryFn: () => data(api.POST('/api/rules/beginning', { body: { lineIds } })),
    staleTime: Number.POSITIVE_INFINITY,
  })
  if (!beginning.data) {
    return (
      <Inspector label="New rule">
        <InspectorHead title="New rule" />
        {beginning.error && (
          <p className={noteBox({ tone: 'bad' })} role="alert">
            {messageOf(beginning.error)}
          </p>
        )}
        <Acts>
          <Button onClick={onClose}>
            Discard <kbd>Esc</kbd>
          </Button>
        </Acts>
      </Inspector>
    )
  }
  const { bookId, words, direction, payee } = beginning.data
  const first = begin(bookId, { payee: words ? payee : '' }, words, direction)
  first.shares = first.shares.map((share) => ({ ...share, accountId: accountId ?? '' }))
  return (
    <RuleEditor
      key={lineIds.join()}
      name={`from ${lineIds.join()}`.slice(0, 200)}
      first={first}
      onClose={onClose}
      onSaved={onSaved}
    />
  )
}
