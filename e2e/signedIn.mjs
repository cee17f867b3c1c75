/** The demo's lead, as whom everything here is done that says nothing else. */
export const LEAD = 'Bett Oakham';

/**
 * Signs somebody of the demo in on a device of its own. Returns the cookie, and what a browser's context opens with.
 * @param {string} base @param {string} [name]
 * @returns {Promise<{ cookie: string, state: { cookies: import('@playwright/test').Cookie[], origins: { origin: string, localStorage: { name: string, value: string }[] }[] } }>}
 */
export async function signedIn(base, name = LEAD) {
  const session = /** @type {{ people: { id: string, name: string, demoPin?: string }[] }} */ (
    await (await fetch(`${base}/api/session`)).json()
  );
  const person = session.people.find((p) => p.name === name);
  if (!person?.demoPin) throw new Error(`the demo's ${name} cannot be signed in`);
  const answer = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ account: person.id, secret: person.demoPin }),
  });
  const { me } = /** @type {{ me: object }} */ (await answer.json());
  const cookie = answer.headers.get('set-cookie')?.split(';')[0] ?? '';
  const { hostname, origin } = new URL(base);
  const [key = '', value = ''] = cookie.split('=');
  return {
    cookie,
    state: {
      cookies: [
        {
          name: key,
          value,
          domain: hostname,
          path: '/',
          expires: -1,
          httpOnly: true,
          secure: false,
          sameSite: 'Strict',
        },
      ],
      origins: [
        {
          origin,
          localStorage: [
            { name: 'rusty-wren-hands', value: JSON.stringify({ me, locked: false }) },
            // Clocks are turned on by hours here: that is nobody who went home.
            { name: 'rusty-wren-settings', value: JSON.stringify({ lockAfterMin: 0 }) },
          ],
        },
      ],
    },
  };
}
