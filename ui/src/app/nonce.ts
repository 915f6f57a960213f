import { setNonce } from 'get-nonce'

/** The nonce of this page's answer: style elements that carry it are let through by the content policy. */
export const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce

// What locks scrolling under a dialog writes its style element with it.
if (nonce) setNonce(nonce)
