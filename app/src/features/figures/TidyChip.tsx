import { settleOn } from '@marginalis/core/editing';
import { figureLines } from '@marginalis/core/figures';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { FIGURE_NAMES } from '@marginalis/core/kinds';
import {
  type TidyOffer,
  useLatelyWritten,
  useSettings,
  useSession,
  useSessionState,
} from '@/session';
import { Chip, CHIP_HEIGHT, ChipButton, ChipTag, usePageSeen } from '@/stage';
import { Ghost } from './Ghost';
import { useFolded } from './useFolded';

/** About how wide the chip is, CSS pixels, and the button that opens it. */
const CHIP_WIDTH = 150;
const MORE_WIDTH = 44;

/** The ghost of the figure that ink looks like, with a chip naming it; opened, the chip names what else it may be. */
export function TidyChip({ index }: { index: number }) {
  const offer = useSessionState((s) => s.offer);
  const page = usePageSeen(index);
  if (!offer || offer.page !== page?.id) return null;
  return <OfferChip key={offer.marks.join()} index={index} offer={offer} />;
}

function OfferChip({ index, offer }: { index: number; offer: TidyOffer }) {
  const session = useSession();
  const page = usePageSeen(index);
  const hand = useSettings((r) => r.hand);
  const [open, setOpen] = useState(false);
  const { folded, unfold, onHeld } = useFolded();
  const { colors } = useTheme();
  const { figure, meets, reading, taken } = offer;
  const isTaken = taken !== null;
  const name = FIGURE_NAMES[reading.kind];
  const others = reading.others.slice(0, 3);
  const isChanged = figure !== reading.figure;

  const hasMore = others.length > 0 || isChanged;

  const takeOther = (k: number) => {
    const { settle } = useSettings.getState();
    const { document } = session.store.getState();
    const other = others[k].figure;
    session.offers.take(settleOn(document, offer.page, new Set(offer.marks), other, settle).figure);
  };

  const own = useMemo(() => new Set(offer.marks), [offer.marks]);
  const ink = useLatelyWritten(offer.page, own);
  const where = { index, page, ink, hand, onHeld, clearOf: figureLines(figure).flat() };
  if (folded && !open)
    return (
      <ChipTag
        {...where}
        icon={isTaken ? 'pen' : 'figure-pen'}
        label={isTaken ? `${name}: what it was` : `${name}? Show what is offered`}
        onPress={unfold}
      />
    );
  return (
    <>
      {!isTaken && <Ghost page={page} figure={figure} />}
      <Chip {...where} width={CHIP_WIDTH + (hasMore ? MORE_WIDTH : 0)} label="Tidy">
        <View>
          <View style={styles.row} role="status">
            <ChipButton
              icon={isTaken ? 'pen' : 'check'}
              text={isTaken ? 'Back to ink' : name}
              label={
                isTaken
                  ? `Back to ink instead of the ${name.toLowerCase()}`
                  : `Take the ${name.toLowerCase()}${meets.length > 0 ? ', which meets another mark or the print' : ''}`
              }
              onPress={() => session.offers.take()}
            />
            {hasMore && (
              <ChipButton
                icon="more"
                text=""
                label="Other figures"
                expanded={open}
                onPress={() => setOpen(!open)}
              />
            )}
            <ChipButton
              icon="close"
              text=""
              label={isTaken ? 'Keep the figure' : 'Keep the ink'}
              onPress={session.offers.dismiss}
            />
          </View>
          {open && (
            <View
              style={[
                styles.others,
                { borderColor: colors.primary, backgroundColor: colors.surface },
              ]}
            >
              {isChanged && (
                <ChipButton
                  text={`${name}, as drawn`}
                  onPress={() => session.offers.take(reading.figure)}
                />
              )}
              {others.map((other, k) => (
                <ChipButton
                  key={other.kind}
                  text={FIGURE_NAMES[other.kind]}
                  label={`Take the ${FIGURE_NAMES[other.kind].toLowerCase()} instead`}
                  onPress={() => takeOther(k)}
                />
              ))}
            </View>
          )}
        </View>
      </Chip>
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', height: CHIP_HEIGHT },
  others: { borderWidth: 1, borderRadius: 6 },
});
