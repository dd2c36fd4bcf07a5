import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { type Attachment, fromPartRecord } from '@marginalis/core/document';
import { type DrawerItem, fromItemRecord, toItemRecord } from '@marginalis/core/drawer';

const items = createAsyncStorage('marginalis-drawer');
/** What things of the drawer show, by the SHA-256 of their bytes: kept once however often it is used. */
const shown = createAsyncStorage('marginalis-drawer-pictures');

/** Everything in the drawer; what cannot be read is left where it is. */
export async function readDrawerItems(): Promise<readonly DrawerItem[]> {
  const keys = await items.getAllKeys();
  const records = await items.getMany(keys);
  return keys.flatMap((key) => {
    try {
      return [fromItemRecord(JSON.parse(records[key] ?? 'null'))];
    } catch (e) {
      console.warn('A thing of the drawer cannot be read.', e);
      return [];
    }
  });
}

/** Keeps things, and first what they show. */
export async function keepDrawerItems(
  kept: readonly DrawerItem[],
  attachments: readonly Attachment[] = [],
): Promise<void> {
  for (const one of attachments) await shown.setItem(one.id, JSON.stringify(one));
  for (const item of kept) await items.setItem(item.id, JSON.stringify(toItemRecord(item)));
}

/** Drops a thing; what it shows goes with the last that shows it. */
export async function dropDrawerItem(
  { id, attachments }: DrawerItem,
  others: readonly DrawerItem[],
): Promise<void> {
  await items.removeItem(id);
  const still = new Set(others.flatMap((one) => one.attachments));
  await shown.removeMany(attachments.filter((one) => !still.has(one)));
}

/** What things of the drawer show, as far as it is there. */
export async function readDrawerPictures(ids: readonly string[]): Promise<readonly Attachment[]> {
  const records = await shown.getMany([...ids]);
  return ids.flatMap((id) => {
    const record = records[id];
    return record ? [fromPartRecord('attachment', JSON.parse(record))] : [];
  });
}
