import { useQuery } from '@tanstack/react-query'
import { useSearchParams } from 'react-router'
import { api, data, type Schemas } from '@/api/client'
import { useCommands } from '@/app/commands'
import { MayChange } from '@/app/MayChange'
import { Flow } from '@/parts/Amount'
import { Button } from '@/parts/Button'
import { Dialog } from '@/parts/Dialog'
import { counted, day, moment } from '@/parts/figures'
import { ruled, textLink } from '@/parts/look'
import { Scroll } from '@/parts/Scroll'
import { Nothing } from '@/parts/States'
import { useSaidAct } from '@/parts/useSaidAct'

const trusted = {
  queryKey: ['waiting', 'trusted'],
  queryFn: () => data(api.GET('/api/trusted-posts')),
}

/** How many lines trusted rules have posted of late, and the way to them; nothing where none was. */
export function TrustedPostsLink() {
  const { data: posts = [] } = useQuery(trusted)
  const [search, setSearch] = useSearchParams()
  const shows = search.has('trusted')
  const lines = posts.reduce((sum, post) => sum + post.lines.length, 0)
  const open = () => setSearch({ trusted: '' })
  useCommands(lines > 0 ? [{ keys: ['u'], label: 'Posted by trusted rules', run: open }] : [])
  if (lines === 0 && !shows) return null
  return (
    <>
      <button type="button" className={textLink()} onClick={open}>
        {counted(lines, 'line')} posted by trusted rules
      </button>
      {shows && <TrustedPosts posts={posts} onClose={() => setSearch({}, { replace: true })} />}
    </>
  )
}

/** What was posted without being looked at first: each line can be taken back, and all of an arrival at once. */
function TrustedPosts({ posts, onClose }: { posts: Schemas['TrustedPostJson'][]; onClose: () => void }) {
  const act = useSaidAct()
  return (
    <Dialog title="Posted by trusted rules" open wide onClose={onClose}>
      <Scroll label="Posted by trusted rules" className="max-h-[76vh] py-4">
        <h2 className="px-(--edge) pb-2 text-title/[1.2]">Posted by trusted rules</h2>
        {posts.length === 0 && <Nothing title="Nothing of the last fourteen days is left" />}
        {posts.map((post) => (
          <section key={post.actId} aria-label={`Posted ${moment(post.at)}`}>
            <div className="flex items-center justify-between gap-3 px-(--edge) pt-2 pb-1">
              <h3>
                {moment(post.at)}, {counted(post.lines.length, 'line')}
              </h3>
              <MayChange>
                <Button
                  size="small"
                  onClick={() =>
                    act(
                      () => api.POST('/api/acts/{id}/undo', { params: { path: { id: post.actId } } }),
                      `${counted(post.lines.length, 'line')} taken back, waiting again.`,
                    )
                  }
                >
                  Take all of them back
                </Button>
              </MayChange>
            </div>
            <table className={ruled({ size: 'dense' })} aria-label="Lines posted">
              <colgroup>
                <col className="w-[84px]" />
                <col className="w-[64px]" />
                <col />
                <col className="w-[150px]" />
                <col className="w-[90px]" />
                <col className="w-[90px]" />
              </colgroup>
              <tbody>
                {post.lines.map((line) => (
                  <tr key={line.lineId}>
                    <td className="text-ink-2">{day(line.date)}</td>
                    <td className="text-ink-2">no. {line.entryNo}</td>
                    <td className="truncate">{line.payee}</td>
                    <td className="truncate text-ink-2">{line.accountName}</td>
                    <td className="text-right">
                      <Flow amount={line.amount} />
                    </td>
                    <td className="text-right">
                      <MayChange>
                        <button
                          type="button"
                          className={textLink({ size: 'small' })}
                          onClick={() =>
                            act(
                              () => api.POST('/api/waiting-lines/take-back', { body: { lineIds: [line.lineId] } }),
                              `${line.payee} waits again.`,
                            )
                          }
                        >
                          take back<span className="sr-only"> {line.payee}</span>
                        </button>
                      </MayChange>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        ))}
      </Scroll>
    </Dialog>
  )
}
