import { Router, type RequestHandler } from 'express';
import * as z from 'zod';
import { HttpProblem, notFound } from '../http/problem.js';
import { bodyOf } from '../http/validate.js';
import { isShared, type Share } from '../share/share.js';

const ShareChange = z.strictObject({
  on: z.boolean({ error: 'expected true or false' }).optional(),
  /** Asked for beside the code; null asks for none. */
  passcode: z
    .string({ error: 'expected a passcode or null' })
    .min(6, { error: 'expected a passcode of at least 6 characters' })
    .max(200, { error: 'expected a passcode of at most 200 characters' })
    .nullable()
    .optional(),
});

/** Sharing with other devices: seen to on the computer itself alone. */
export function shareRoutes(share: Share): Router {
  const router = Router();
  const here: RequestHandler = (request, _response, next) => {
    if (isShared(request))
      throw new HttpProblem(403, 'On the computer', 'Devices are paired and removed on the computer that shares.');
    next();
  };
  router.get('/share', here, async (_request, response) => {
    response.json(await share.state());
  });
  router.put('/share', here, async (request, response) => {
    const { on, passcode } = bodyOf(request, ShareChange);
    if (passcode !== undefined) await share.devices.setPasscode(passcode);
    if (on !== undefined) await share.turn(on);
    response.json(await share.state());
  });
  router.post('/share/code', here, async (_request, response) => {
    if (!(await share.state()).on) throw new HttpProblem(409, 'Not shared', 'Turn sharing on first.');
    share.devices.newCode();
    response.json(await share.state());
  });
  router.delete('/share/devices/:id', here, async (request, response) => {
    if (!share.devices.remove(String(request.params['id']))) throw notFound(`device ${String(request.params['id'])}`);
    response.json(await share.state());
  });
  return router;
}
