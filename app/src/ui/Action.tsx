import type { ComponentProps } from 'react';
import { StyleSheet } from 'react-native';
import { Button } from 'react-native-paper';

/** A button with words, as tall as a finger needs. */
export function Action({ contentStyle, ...props }: ComponentProps<typeof Button>) {
  return <Button {...props} contentStyle={[styles.content, contentStyle]} />;
}

const styles = StyleSheet.create({ content: { minHeight: 44 } });
