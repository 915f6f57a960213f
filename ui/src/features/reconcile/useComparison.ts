import { useMutation, useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from '@/api/client'
import { booksChanged, queryClient } from '@/api/queries'
import { useSays } from '@/app/says'
import { counted } from '@/parts/figures'

type Sheet = Schemas['SheetJson']

/** The lines of a statement held against the books; and what settles rows of it, as one act. */
export function useComparison(sheet: Sheet, enabled: boolean) {
  const says = useSays()
  const path = { id: sheet.id }
  const comparison = useQuery({
    queryKey: ['statement', sheet.id, 'comparison', sheet.version, sheet.tickedBalance],
    enabled,
    queryFn: () => data(api.GET('/api/statements/{id}/comparison', { params: { path } })),
    placeholderData: (previous) => previous,
  })
  const settling = useMutation({
    mutationFn: (body: Schemas['SettleLinesJson']) =>
      data(api.POST('/api/statements/{id}/comparison', { params: { path }, body })),
    onSuccess: async (_, { join, post }) => {
      const lines = post.length + join.reduce((sum, one) => sum + one.lines.length, 0)
      says.done(`${counted(lines, 'line')} settled and ticked. Ctrl Z takes it back.`)
      await booksChanged()
    },
    onError: async (error) => {
      says.failed(error)
      await queryClient.invalidateQueries({ queryKey: ['statement', sheet.id] })
      await queryClient.invalidateQueries({ queryKey: ['sheet', sheet.id] })
    },
  })
  return { comparison, settle: settling.mutate, settling: settling.isPending }
}
