import { useQuery } from '@tanstack/react-query'
import { useNavigate, useParams } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { useCommands } from '@/app/commands'
import { useScopeSearch } from '@/app/scope'
import { TakeAlong } from '@/features/report/TakeAlong'
import { Flow } from '@/parts/Amount'
import { counted, day, figure, longDay, moment } from '@/parts/figures'
import { entryTable, sumRow } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Failed, Loading, Nothing } from '@/parts/States'
import { Head, Leaf, View } from '@/parts/View'

type Agreement = Schemas['AgreementJson']
type Sheet = Schemas['SheetJson']
type Agreed = Schemas['AgreedPostingJson']

/** What was agreed in a statement, as it was then, whatever became of the books since: to read, print and keep. */
export function AgreementReport() {
  const { statementId = '' } = useParams()
  const path = { id: statementId }
  const sheet = useQuery({
    queryKey: ['sheet', statementId],
    queryFn: () => data(api.GET('/api/statements/{id}', { params: { path } })),
  })
  const agreement = useQuery({
    queryKey: ['statement', statementId, 'agreement'],
    queryFn: () => data(api.GET('/api/statements/{id}/agreement', { params: { path } })),
  })
  if (sheet.data?.finished === false)
    return <Nothing title="It is not agreed yet">The report is there once nothing is apart and it is agreed.</Nothing>
  const error = sheet.error ?? agreement.error
  if (error && !(sheet.data && agreement.data))
    return <Failed error={error} retry={() => sheet.refetch().then(() => agreement.refetch())} />
  if (!sheet.data || !agreement.data) return <Loading what="the report" />
  return <Report sheet={sheet.data} agreement={agreement.data} />
}

function Report({ sheet, agreement }: { sheet: Sheet; agreement: Agreement }) {
  const navigate = useNavigate()
  const search = useScopeSearch()
  const adjustments = agreement.postings.filter((posting) => posting.adjustment)
  useCommands([
    {
      keys: ['Escape'],
      label: 'Back to the statement',
      strip: 'statement',
      run: () => navigate(`/reconcile/${sheet.id}${search}`),
    },
  ])
  return (
    <View>
      <Leaf>
        <Head
          title={`${sheet.accountName}, agreed through ${longDay(sheet.closesOn)}`}
          about={`by ${agreement.agreedBy}, ${moment(agreement.agreedAt)}`}
        >
          <TakeAlong
            paper={`/api/statements/${sheet.id}/agreement-paper`}
            table={`/api/statements/${sheet.id}/agreement-table`}
          />
        </Head>
        <Scroll className="px-(--edge) pb-6" label="The report">
          <div className="grid max-w-[860px] gap-6">
            <Balances sheet={sheet} agreement={agreement} />
            <Postings title={counted(agreement.postings.length, 'posting')} about="agreed" of={agreement.postings} />
            {adjustments.length > 0 && (
              <Postings
                title={counted(adjustments.length, 'adjustment')}
                about="among them: booked since nothing explained what was apart"
                of={adjustments}
              />
            )}
            {agreement.stillOpen.length > 0 && (
              <Postings
                title={counted(agreement.stillOpen.length, 'posting')}
                about="stayed open: not cashed, or not arrived yet"
                of={agreement.stillOpen}
              />
            )}
          </div>
        </Scroll>
      </Leaf>
    </View>
  )
}

/** Opening, in and out make the closing balance. */
function Balances({ sheet, agreement }: { sheet: Sheet; agreement: Agreement }) {
  const rows: [string, string][] = [
    [sheet.opensAfter ? `Opening, ${longDay(sheet.opensAfter)}` : 'Opening balance', figure(agreement.opening)],
    ['In', figure(agreement.in)],
    ['Out', figure(`-${agreement.out}`)],
  ]
  return (
    <table className={`${entryTable} max-w-[420px]`} aria-label="Balances">
      <thead>
        <tr>
          <th className="text-left font-normal">
            {sheet.accountName} {sheet.tail && `..${sheet.tail}`}
          </th>
          <th className="text-right font-normal">{sheet.currency}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, amount]) => (
          <tr key={name}>
            <td>{name}</td>
            <td className="text-right">{amount}</td>
          </tr>
        ))}
        <tr className={sumRow}>
          <td>Closing, {longDay(sheet.closesOn)}</td>
          <td className="text-right">{figure(agreement.closing)}</td>
        </tr>
      </tbody>
    </table>
  )
}

function Postings({ title, about, of }: { title: string; about: string; of: Agreed[] }) {
  return (
    <section aria-label={`${title} ${about}`}>
      <h2 className="mb-1">
        {title} <span className="text-base text-ink-2">{about}</span>
      </h2>
      <table className={`${entryTable} w-full`}>
        <colgroup>
          <col className="w-[110px]" />
          <col className="w-[80px]" />
          <col />
          <col className="w-[130px]" />
        </colgroup>
        <thead>
          <tr>
            <th className="text-left font-normal">Date</th>
            <th className="text-left font-normal">No.</th>
            <th className="text-left font-normal">Payee</th>
            <th className="text-right font-normal">Amount</th>
          </tr>
        </thead>
        <tbody>
          {of.map((posting) => (
            <tr key={posting.postingId}>
              <td className="text-ink-2">{day(posting.date)}</td>
              <td className="text-ink-2">{posting.entryNo}</td>
              <td>{posting.payee}</td>
              <td className="text-right">
                <Flow amount={posting.amount} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
