import type { VariantProps } from 'class-variance-authority'
import { type ButtonHTMLAttributes, createContext, type ReactNode, useContext } from 'react'
import { useSays } from '@/app/says'
import { button } from './look'
import { Tip } from './Tip'

type Props = Omit<ButtonHTMLAttributes<HTMLButtonElement>, 'disabled'> &
  VariantProps<typeof button> & {
    /** Why it cannot be pressed now; it can still be reached, and says so. */
    whyNot?: string
    children: ReactNode
  }

/** Whether what stands around can only be read: then nothing there can be sent. */
export const ReadOnly = createContext(false)

/** A button. One that cannot be pressed keeps its place and says why. */
export function Button({ tone, size, whyNot, className, type = 'button', onClick, children, ...rest }: Props) {
  const says = useSays()
  if (useContext(ReadOnly) && type === 'submit') return null
  const pressed = (
    <button
      {...rest}
      type={type}
      className={button({ tone, size, className })}
      aria-disabled={whyNot === undefined ? undefined : true}
      onClick={(event) => {
        if (whyNot === undefined) return onClick?.(event)
        event.preventDefault()
        says.failed(new Error(whyNot))
      }}
    >
      {children}
    </button>
  )
  return whyNot === undefined ? pressed : <Tip words={whyNot}>{pressed}</Tip>
}
