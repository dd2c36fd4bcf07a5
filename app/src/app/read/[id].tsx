import { router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { FigureInHand, ScratchChip, SettleItems, TidyChip } from '@/features/figures';
import { InkingLayer, PenRoll } from '@/features/inking';
import { InkFileItems } from '@/features/inkfiles';
import { AuthorItem, AuthorSheet, MarkList, MarkListButton, Pulse } from '@/features/marklist';
import { Picked, PickedActions, PickKeys } from '@/features/picking';
import { PracticeItem } from '@/features/practice';
import { ReaderScreen } from '@/features/reader';
import { SendButton } from '@/features/sending';

export default function ReadRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const [naming, setNaming] = useState(false);
  const [sending, setSending] = useState(false);
  return (
    <ReaderScreen
      key={id}
      id={id}
      onBack={() => (router.canGoBack() ? router.back() : router.replace('/'))}
      tools={(upright) => <PenRoll upright={upright} />}
      overlay={
        <>
          <InkingLayer />
          <PickKeys />
          <AuthorSheet open={naming} onClose={() => setNaming(false)} />
        </>
      }
      onPage={(index) => (
        <>
          <TidyChip index={index} />
          <ScratchChip index={index} />
          <FigureInHand index={index} />
          <Picked index={index} />
          <Pulse index={index} />
        </>
      )}
      send={<SendButton open={sending} onOpen={setSending} />}
      onSend={() => setSending(true)}
      marginButton={(open, toggle) => <MarkListButton open={open} onToggle={toggle} />}
      margin={(pictures, onGone) => (
        <MarkList pictures={pictures} actions={<PickedActions />} onGone={onGone} />
      )}
      menu={(close) => (
        <>
          <SettleItems close={close} />
          <AuthorItem
            onOpen={() => {
              close();
              setNaming(true);
            }}
          />
          <InkFileItems close={close} />
          <PracticeItem close={close} />
        </>
      )}
    />
  );
}
