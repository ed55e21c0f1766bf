import { createHash } from "node:crypto";

/** SHA-256 sources of the inline scripts of a page, for its Content-Security-Policy. */
export function scriptHashes(html: string): string[] {
  const inline = [...html.matchAll(/<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g)];
  return inline.map(([, code = ""]) => `'sha256-${createHash("sha256").update(code).digest("base64")}'`);
}

/**
 * The headers of every answer. Nothing is loaded from outside and nothing is sent out: `connect-src` names this address
 * only. Camera and microphone are for spoken feedback, recorded on this page and kept in this browser. No inline style
 * has effect, and inline scripts are allowed by hash only. WebAssembly is for the image decoders of pdf.js.
 */
export function securityHeaders(html: string): Record<string, string> {
  const policy = [
    "default-src 'none'",
    `script-src 'self' 'wasm-unsafe-eval' ${scriptHashes(html).join(" ")}`,
    "style-src 'self'",
    "img-src 'self' blob: data:",
    "media-src 'self' blob:",
    "font-src 'self' data:",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ];
  return {
    "Content-Security-Policy": policy.join("; "),
    "Cross-Origin-Opener-Policy": "same-origin",
    "Cross-Origin-Resource-Policy": "same-origin",
    "Permissions-Policy": "geolocation=(), camera=(self), microphone=(self), payment=(), usb=()",
    "Referrer-Policy": "no-referrer",
    "X-Content-Type-Options": "nosniff",
    "X-Frame-Options": "DENY",
  };
}
