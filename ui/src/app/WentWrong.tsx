import { Component, type ErrorInfo, type ReactNode } from 'react'
import { useRouteError } from 'react-router'
import { messageOf } from '@/api/client'
import { Button } from '@/parts/Button'

/** Something in the interface itself broke: said in words, with the ways back. What was typed is kept for this tab. */
export function WentWrong({ error }: { error: unknown }) {
  return (
    <main className="flex h-full flex-col items-center justify-center gap-3 p-6 text-center" tabIndex={-1}>
      <h1>This page could not be shown</h1>
      <p className="max-w-[52ch] text-ink-2">
        Something in the interface broke. Nothing in the books was changed by it, and what you typed is kept in this
        window.
      </p>
      <p className="max-w-[72ch] text-small break-words text-ink-3">{messageOf(error)}</p>
      <div className="flex gap-2">
        <Button tone="go" onClick={() => window.location.reload()}>
          Show it again
        </Button>
        <Button onClick={() => window.location.assign('/')}>To the Almanac</Button>
      </div>
    </main>
  )
}

/** For an error within a route: the frame around stays. */
export function RouteWentWrong() {
  return <WentWrong error={useRouteError()} />
}

/** For an error outside of the routes. */
export class ErrorBoundary extends Component<{ children: ReactNode }, { error: unknown }> {
  override state = { error: undefined as unknown }
  static getDerivedStateFromError(error: unknown) {
    return { error }
  }
  override componentDidCatch(error: Error, info: ErrorInfo) {
    console.error(error, info.componentStack)
  }
  override render() {
    return this.state.error === undefined ? this.props.children : <WentWrong error={this.state.error} />
  }
}
