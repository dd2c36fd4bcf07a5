import { StyleSheet, View } from 'react-native';

/** A drop of ink, beside its name. */
export const InkDrop = ({ colour }: { colour: string }) => (
  <View style={[styles.drop, { backgroundColor: colour }]} />
);

const styles = StyleSheet.create({
  drop: {
    width: 18,
    height: 18,
    borderRadius: 9,
    borderWidth: StyleSheet.hairlineWidth,
    borderColor: '#77839a',
  },
});
