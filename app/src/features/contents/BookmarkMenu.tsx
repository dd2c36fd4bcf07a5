import type { Bookmark } from '@marginalis/core/document';
import { moveBookmark, removeBookmark } from '@marginalis/core/editing';
import { ownBookmarks } from '@marginalis/core/guide';
import { Menu } from 'react-native-paper';
import { useSession } from '@/session';
import { MenuButton, paperIcon } from '@/ui';
import { naming } from './naming';

/** What can be done with a bookmark. */
export function BookmarkMenu({ bookmark }: { bookmark: Bookmark }) {
  const session = useSession();
  const move = (by: 1 | -1): void => {
    const own = ownBookmarks(session.store.getState().document);
    session.dispatch(moveBookmark(own, bookmark, by));
  };
  return (
    <MenuButton icon="more" label={`More for the bookmark ${bookmark.title}`}>
      {(close) => {
        const item = (title: string, icon: Parameters<typeof paperIcon>[0], act: () => void) => (
          <Menu.Item
            title={title}
            leadingIcon={paperIcon(icon)}
            onPress={() => {
              close();
              act();
            }}
          />
        );
        return (
          <>
            {item('Rename', 'rename', () => naming.setState({ id: bookmark.id }))}
            {item('Move up among my bookmarks', 'up', () => move(-1))}
            {item('Move down among my bookmarks', 'down', () => move(1))}
            {item('Remove', 'remove', () => void session.dispatch(removeBookmark(bookmark)))}
          </>
        );
      }}
    </MenuButton>
  );
}
