import type { StandIns } from '@marginalis/core/wire';
import { type RequestHandler, Router } from 'express';
import { join } from 'node:path';
import { type Device, openDevice } from './device.ts';
import { devicePages } from './devicePages.ts';

/** What stands in for what a device may lack. */
export interface Devices {
  readonly printer: Device;
  readonly shareSheet: Device;
}

/** Keeps what is handed over in a folder. */
export const openDevices = async (at: string, now: () => number): Promise<Devices> => ({
  printer: await openDevice(join(at, 'printer'), now),
  shareSheet: await openDevice(join(at, 'share-sheet'), now),
});

const AT = { printer: '/stand-ins/printer', shareSheet: '/stand-ins/share-sheet' } as const;

/** `GET /api/stand-ins`: what stands in here. */
export function standInsTold(devices: Devices | null): Router {
  const told: StandIns = devices ? AT : { printer: null, shareSheet: null };
  const router = Router();
  router.get('/', (_req, res) => res.set('cache-control', 'no-store').json(told));
  return router;
}

/** The printer and the share sheet that stand in. */
export function deviceRoutes({ printer, shareSheet }: Devices, limit: RequestHandler): Router {
  const router = Router();
  const kept = 'It is kept on this server and goes nowhere.';
  router.use(
    '/printer',
    devicePages(
      printer,
      {
        title: 'Printer',
        says: `What was printed with the sample data by browsers that cannot print by themselves. ${kept}`,
        none: 'Nothing was printed yet.',
      },
      limit,
    ),
  );
  router.use(
    '/share-sheet',
    devicePages(
      shareSheet,
      {
        title: 'Shared',
        says: `What was shared with the sample data by devices that have no sheet for it. ${kept}`,
        none: 'Nothing was shared yet.',
      },
      limit,
    ),
  );
  return router;
}
