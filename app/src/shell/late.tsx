import { type ComponentType, useEffect, useState } from 'react';
import { Portal, Snackbar } from 'react-native-paper';

/** A component that is loaded when it is first shown, or before, while nothing else is to be done. */
export type Late<P> = ComponentType<P> & { readonly preload: () => Promise<unknown> };

/** Keeps what is not needed for the first page and the first stroke out of the first script. */
export function late<P extends object>(load: () => Promise<ComponentType<P>>): Late<P> {
  let loaded: ComponentType<P> | null = null;
  const preload = async (): Promise<ComponentType<P>> => (loaded ??= await load());

  const Shown = (props: P) => {
    const [Content, setContent] = useState(() => loaded);
    const [isMissing, setMissing] = useState(false);
    useEffect(() => {
      if (Content || isMissing) return undefined;
      let isGone = false;
      preload().then(
        (component) => isGone || setContent(() => component),
        () => isGone || setMissing(true),
      );
      return () => {
        isGone = true;
      };
    }, [Content, isMissing]);
    if (Content) return <Content {...props} />;
    return (
      <Portal>
        <Snackbar
          visible={isMissing}
          duration={Infinity}
          onDismiss={() => setMissing(false)}
          action={{ label: 'Try again' }}
        >
          This part of the program cannot be fetched. Check the network, or load the page again.
        </Snackbar>
      </Portal>
    );
  };
  return Object.assign(Shown, { preload });
}

/** Loads all that is late, one after the other; what fails is tried again when it is shown. */
export async function preload(components: readonly unknown[]): Promise<void> {
  for (const component of components) {
    const { preload: load } = component as Partial<Late<object>>;
    if (load) await load().catch(() => undefined);
  }
}
