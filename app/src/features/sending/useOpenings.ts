import type { LinkOpenings } from '@marginalis/core/wire';
import useSWR from 'swr';
import { readOpenings, ServerError } from '@/remote';
import type { KeptLink } from '@/storage';

/** While it is looked at, the server is asked this often, ms. */
const ASK_EVERY = 30_000;

/** How a link stands on the server; why that is not known, in words. */
export function useOpenings(link: KeptLink): {
  readonly openings: LinkOpenings | undefined;
  readonly trouble: string | null;
} {
  const { data, error } = useSWR(`openings/${link.token}`, () => readOpenings(link), {
    refreshInterval: ASK_EVERY,
    shouldRetryOnError: false,
  });
  return { openings: data, trouble: error instanceof ServerError ? error.message : null };
}
