import { randomBytes } from 'node:crypto';
import { Router, urlencoded, type Request, type RequestHandler, type Response } from 'express';
import { HttpProblem } from '../http/problem.js';
import { NotPaired, type Devices } from './devices.js';
import { isShared, type Share } from './share.js';

const COOKIE = 'inky';
const YEAR_S = 365 * 24 * 3600;

const tokenIn = (request: Request): string | undefined =>
  new RegExp(`(?:^|;\\s*)${COOKIE}=([\\w-]+)`).exec(request.headers.cookie ?? '')?.[1];

const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** The page on which a device is let in: all that it gets before it is. */
function pairPage(nonce: string, devices: Devices, problem: string | null): string {
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Pair this device. Inky Shoal</title>
<style nonce="${nonce}">
body{margin:0 auto;max-width:34rem;padding:1rem;font:1.05rem/1.5 Georgia,serif;color:#16242f;background:#f4efe2}
label{display:block;margin:.8rem 0 .2rem;font-weight:700}
input{box-sizing:border-box;width:100%;min-height:3rem;font:inherit;padding:.3rem .6rem;border:1px solid #16242f;background:#fff}
button{min-height:3rem;margin-top:1rem;padding:0 1.2rem;font:inherit;font-weight:700;color:#fff;background:#af331f;border:0}
[role=alert]{color:#8f1f0f;font-weight:700}
li{margin:.3rem 0}
</style>
</head>
<body>
<h1>Pair this device</h1>
${problem ? `<p role="alert">${escaped(problem)}</p>` : ''}
<form method="post" action="/pair">
<label for="code">Code, as Settings shows it on the computer</label>
<input id="code" name="code" autocomplete="off" autocapitalize="characters" maxlength="20" required>
${devices.hasPasscode ? '<label for="passcode">Passcode</label><input id="passcode" name="passcode" type="password" autocomplete="current-password" maxlength="200" required>' : ''}
<label for="name">What this device is called</label>
<input id="name" name="name" value="Phone" maxlength="60" required>
<button type="submit">Pair</button>
</form>
<h2>If your browser warned you</h2>
<p>The certificate was made by your own computer, so no one else knows it. Trust it once, and this page starts with no signal, can be put on the home screen, and knows where you are.</p>
<ol>
<li><a href="/authority.crt">Fetch the certificate</a> and open it.</li>
<li>Where the phone asks what it is: an authority's certificate (CA). Where it only keeps the file: look for certificate in the phone's settings, under security, and install it there.</li>
<li>Where it comes as a profile: install that in the phone's settings, then look for the trust of certificates there, and turn it on.</li>
<li>Come back to this page and load it again.</li>
</ol>
<script nonce="${nonce}">
var code=document.getElementById('code');
function take(){if(location.hash.length>1){code.value=decodeURIComponent(location.hash.slice(1));history.replaceState(null,'','/pair');document.getElementById('name').focus();}}
take();
addEventListener('hashchange',take);
</script>
</body>
</html>`;
}

function showPairPage(response: Response, devices: Devices, problem: string | null, status = 200): void {
  const nonce = randomBytes(16).toString('base64');
  response
    .status(status)
    .setHeader(
      'content-security-policy',
      `default-src 'none'; style-src 'nonce-${nonce}'; script-src 'nonce-${nonce}'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'`,
    )
    .setHeader('cache-control', 'no-store')
    .setHeader('referrer-policy', 'no-referrer')
    .setHeader('x-content-type-options', 'nosniff')
    .type('html')
    .send(pairPage(nonce, devices, problem));
}

/**
 * Lets in who comes over the shared listener: a paired device by its session, anybody else to the page on which devices
 * are paired and to the certificate, and to nothing more.
 */
export function gate(share: Share): Router {
  const { devices } = share;
  const router = Router();
  const ofShared =
    (handler: RequestHandler): RequestHandler =>
    (request, response, next) =>
      isShared(request) ? handler(request, response, next) : next();

  router.get(
    '/authority.crt',
    ofShared((_request, response) => {
      response
        .setHeader('content-type', 'application/x-x509-ca-cert')
        .setHeader('content-disposition', 'attachment; filename="inky-shoal.crt"')
        .send(share.authorityPem);
    }),
  );
  router.get(
    '/pair',
    ofShared((_request, response) => showPairPage(response, devices, null)),
  );
  router.post(
    '/pair',
    ofShared(urlencoded({ extended: false, limit: '4kb', parameterLimit: 10 })),
    ofShared((request, response, next) => {
      const given = (request.body ?? {}) as Record<string, unknown>;
      const field = (name: string) => (typeof given[name] === 'string' ? given[name] : '');
      devices
        .pair(
          { code: field('code'), passcode: field('passcode'), name: field('name') },
          request.socket.remoteAddress ?? '',
        )
        .then((token) => {
          response.setHeader(
            'set-cookie',
            `${COOKIE}=${token}; HttpOnly; Secure; SameSite=Strict; Path=/; Max-Age=${YEAR_S}`,
          );
          response.redirect(303, '/');
        })
        .catch((error: unknown) => {
          if (error instanceof NotPaired) showPairPage(response, devices, error.message, error.tooOften ? 429 : 403);
          else next(error);
        });
    }),
  );
  router.use(
    ofShared((request, response, next) => {
      const token = tokenIn(request);
      const device = token && devices.of(token);
      if (device) {
        // It was named when it was paired: what it calls itself does not count.
        request.headers['x-inky-device'] = encodeURIComponent(device.name);
        next();
        return;
      }
      if (request.path.startsWith('/api/'))
        throw new HttpProblem(401, 'Not paired', 'This device is not paired: open /pair on it.');
      response.redirect(302, '/pair');
    }),
  );
  return router;
}
