import { X509Certificate } from 'node:crypto';
import { Hono } from 'hono';
import { html } from 'hono/html';
import { styleIn } from '../http/style';
import { fingerprint } from './certificates';

export const TRUST_STYLE = styleIn(`
body { font: 1.15rem/1.5 system-ui, sans-serif; max-width: 34rem; margin: 2rem auto; padding: 0 1rem; background: #f1eadf; color: #231f1c; }
a { color: #a9431b }
a.take { display: block; padding: 1rem; background: #a9431b; color: #fff; text-align: center; font-weight: 700; border-radius: 0.4rem; text-decoration: none; }
code { overflow-wrap: anywhere; font-weight: 700; }
li { margin: 0.6rem 0; }
@media (prefers-color-scheme: dark) { body { background: #1b1714; color: #f1eadf; }
a { color: #e9a17f } }`);

/** How a phone comes to trust this shop's HTTPS: a page without any script, and the authority to take. */
export function trustRoutes(authority: string): Hono {
  const print = fingerprint(authority);
  return new Hono()
    .get('/authority.crt', (c) =>
      c.body(new Uint8Array(new X509Certificate(authority).raw), 200, {
        'Content-Type': 'application/x-x509-ca-cert',
        'Content-Disposition': 'attachment; filename="rusty-wren-of-this-shop.crt"',
      }),
    )
    .get('/', (c) =>
      c.html(
        html`<!doctype html>
          <html lang="en">
            <head>
              <meta charset="utf-8" />
              <meta name="viewport" content="width=device-width, initial-scale=1" />
              <title>Trust this shop</title>
              ${TRUST_STYLE.element}
            </head>
            <body>
              <h1>Let this phone trust the shop</h1>
              <ol>
                <li><a class="take" href="/trust/authority.crt">Take the shop’s certificate</a></li>
                <li>
                  Its SHA-256 is shown where the shop was started. They must be the same:<br /><code
                    >${print}</code
                  ><br />If they are not, stop: somebody stands between.
                </li>
                <li>
                  <strong>Android:</strong> Settings, Security, More, Encryption, Install a certificate, CA
                  certificate; choose the file.<br /><strong>iPhone:</strong> Settings, Profile Downloaded,
                  Install; then General, About, Certificate Trust Settings, switch it on.<br /><strong
                    >Others:</strong
                  >
                  import it as an authority in the browser.
                </li>
                <li><a href="/">To the bench</a>. The warning is gone.</li>
              </ol>
              <p>
                Whoever has the shop’s key can pass for any site on this phone. Take it off again when the
                phone leaves the shop.
              </p>
            </body>
          </html>`,
      ),
    );
}
