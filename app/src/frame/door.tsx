import { Link } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View as Box, type StyleProp, type ViewStyle } from 'react-native';
import { useDoorsLead } from './doors-lead';
import { useView, viewQuery, type View } from './view';

export type Props = {
  /** place, without the view: that goes along by itself */
  path: string;
  isHere?: boolean;
  /** what the view is narrowed to on the other side */
  narrowed?: Partial<View>;
  style?: StyleProp<ViewStyle>;
  /** in words, where what is drawn in it does not say it */
  label?: string | undefined;
  testID?: string;
  children: ReactNode;
};

/** A link to a place that takes time and focus along; a real one, to be opened in another tab as well. */
export function Door({ path, isHere = false, narrowed, style, label, testID, children }: Props) {
  const { view } = useView();
  if (!useDoorsLead())
    return (
      <Box style={style} testID={testID} {...(label !== undefined && { role: 'img', 'aria-label': label })}>
        {children}
      </Box>
    );
  return (
    <Link href={`${path}${viewQuery({ ...view, ...narrowed })}` as never} asChild>
      <Pressable
        aria-current={isHere ? 'page' : undefined}
        aria-label={label}
        style={StyleSheet.flatten(style)}
        testID={testID}
      >
        {children}
      </Pressable>
    </Link>
  );
}
