import { type RequestHandler, Router } from 'express';
import { ValidationError } from 'yup';
import { letGo } from '../http/letGo.ts';
import { refuse } from '../http/refuse.ts';
import { type Mailer, MailRefused } from './mailer.ts';
import { MailTooLarge, receiveMail } from './receiveMail.ts';

function refusalOf(e: unknown): readonly [status: number, message: string] | null {
  if (e instanceof ValidationError) return [400, `The mail cannot be sent: ${e.message}.`];
  if (e instanceof MailTooLarge)
    return [413, 'This file is too large for a mail. Send a link instead.'];
  if (e instanceof MailRefused) return [502, e.message];
  return null;
}

/** `GET /api/mail`: how mail is sent, if at all. `POST /api/mail`: sends one, with a file. */
export function mailRoutes(mailer: Mailer | null, sendLimit: RequestHandler): Router {
  const router = Router();
  router.get('/', (_req, res) =>
    res.set('cache-control', 'no-store').json({ by: mailer?.by ?? null }),
  );
  router.post('/', sendLimit, async (req, res) => {
    try {
      if (!mailer) {
        letGo(req);
        return refuse(res, 404, 'No mail service is set on this server.');
      }
      const { mail, attachment } = await receiveMail(req);
      await mailer.send(mail, attachment);
      return res.status(204).end();
    } catch (e) {
      if (req.destroyed && !req.complete) return res;
      letGo(req);
      const refusal = refusalOf(e);
      if (!refusal) throw e;
      return refuse(res, ...refusal);
    }
  });
  return router;
}
