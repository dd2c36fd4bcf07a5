import type { Page } from '@marginalis/core/document';
import type { FormWidget } from '@marginalis/core/fields';
import { displayMatrix, displaySize, transformBox } from '@marginalis/core/geometry';
import { useTheme } from 'react-native-paper';
import { Area, FONT } from '@/ui';

/** What is said about a field, beneath it. */
export function Told(props: { page: Page; widget: FormWidget; text: string; isProblem: boolean }) {
  const { page, widget, text, isProblem } = props;
  const { colors } = useTheme();
  const { width, height } = displaySize(page);
  const seen = transformBox(displayMatrix(page), widget.box);
  return (
    <Area
      role={isProblem ? 'alert' : 'note'}
      style={{
        position: 'absolute',
        left: `${(100 * seen.minX) / width}%`,
        top: `${(100 * seen.maxY) / height}%`,
        maxWidth: 190,
        width: 'max-content',
        marginTop: 3,
        padding: '2px 6px',
        borderRadius: 3,
        background: isProblem ? colors.error : colors.inverseSurface,
        color: isProblem ? colors.onError : colors.inverseOnSurface,
        font: `13px/1.35 ${FONT.text}`,
        pointerEvents: 'none',
        zIndex: isProblem ? 4 : 2,
      }}
    >
      {text}
    </Area>
  );
}
