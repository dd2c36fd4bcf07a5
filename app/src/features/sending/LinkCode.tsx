import { useEffect, useMemo, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';
import { Area } from '@/ui';
import { qrPath } from './qrPath';

/** About so many pixels: a camera reads it from an arm's length. */
const SIDE = 200;

/** A link as a code that a camera reads. Black on white whatever the theme: cameras look for that. */
export function LinkCode({ url }: { url: string }) {
  const { side, path } = useMemo(() => qrPath(url), [url]);
  // Whole pixels a module: nothing shows between them.
  const size = Math.max(1, Math.round(SIDE / side)) * side;
  const area = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // Whoever asked for it wants to hold a camera to it.
    area.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  return (
    <Area ref={area}>
      <View style={styles.code} role="img" aria-label="The link as a QR code">
        <Svg width={size} height={size} viewBox={`0 0 ${side} ${side}`}>
          <Rect width={side} height={side} fill="#fff" />
          <Path d={path} fill="#000" />
        </Svg>
      </View>
    </Area>
  );
}

const styles = StyleSheet.create({ code: { alignItems: 'center', paddingVertical: 8 } });
