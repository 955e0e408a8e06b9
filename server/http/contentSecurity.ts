/** The policy of a page: nothing but this server's own files, and the inline parts that carry the nonce. */
export function contentSecurityPolicy(nonce: string): string {
  return [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}'`,
    `style-src 'self' 'nonce-${nonce}'`,
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ')
}

/** Marks the inline scripts and styles that the framework wrote into a page. */
export function withNonce(html: string, nonce: string): string {
  return html.replace(/<(script|style)(?=[\s>])/g, `<$1 nonce="${nonce}"`)
}
