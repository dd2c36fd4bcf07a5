import type { Response } from 'express';

/** Answers an API request with a status and a sentence for people. */
export const refuse = (res: Response, status: number, message: string): Response =>
  res.status(status).set('cache-control', 'no-store').json({ message });
