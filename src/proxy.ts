import { type NextRequest, NextResponse } from 'next/server';
import { atTheDoor } from './app/door';

/** Addresses that stand for no text. */
function addressProblem(path: string): Response | null {
  try {
    if (!decodeURIComponent(path).includes('\0')) return null;
  } catch {
    // said below
  }
  return Response.json(
    { sentence: 'That is no address: it holds a broken escape or a NUL character.' },
    { status: 400 },
  );
}

/**
 * The door, and a strict Content-Security-Policy with a nonce for each page. Style attributes are allowed because charts and
 * Radix place things by them; style elements and scripts need the nonce.
 */
export function proxy(request: NextRequest): Response {
  const away = atTheDoor(request) ?? addressProblem(request.nextUrl.pathname);
  if (away) return away;
  const nonce = btoa(crypto.randomUUID());
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    `style-src-elem 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('x-page', request.nextUrl.pathname + request.nextUrl.search);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('referrer-policy', 'no-referrer');
  response.headers.set('x-content-type-options', 'nosniff');
  return response;
}

// What passes through here is held in memory, so photographs and packs do not; their routes keep their own door.
export const config = {
  matcher: '/((?!_next/static|favicon.ico|icon.svg|api/photos$|phone/[^/]+/pictures$|api/import$|api/library$).*)',
};
