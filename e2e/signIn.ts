/**
 * Sign in with one key press, as the demo world's people do.
 *
 * @param home origin of a desk of the demo world
 * @returns the cookie header of a browser at which that person is
 */
export async function cookieOf(home: string, person: string): Promise<string> {
  const answer = await fetch(`${home}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ how: 'oneKey', name: person }),
  });
  if (!answer.ok) throw new Error(`${person} could not sign in: ${await answer.text()}`);
  return answer.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ');
}
