import { useState, type ReactNode } from 'react';
import { Pressable, StyleSheet, View, type StyleProp, type ViewStyle } from 'react-native';
import { Icon } from '@/look/icon';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { TOUCH } from '@/look/tokens';

/** A part of the page that opens at a tap. */
export function Fold({
  words,
  children,
  onOpen,
  style,
}: {
  words: string;
  children: ReactNode;
  onOpen?: (isOpen: boolean) => void;
  style?: StyleProp<ViewStyle>;
}) {
  const palette = usePalette();
  const [isOpen, setOpen] = useState(false);
  const toggle = () => {
    setOpen(!isOpen);
    onOpen?.(!isOpen);
  };
  return (
    <View style={style}>
      <Pressable role="button" aria-expanded={isOpen} onPress={toggle} style={styles.head}>
        <Icon name={isOpen ? 'chevron-down' : 'chevron-right'} size={18} color={palette.muted} />
        <Words kind="muted">{words}</Words>
      </Pressable>
      {isOpen && children}
    </View>
  );
}

const styles = StyleSheet.create({ head: { flexDirection: 'row', alignItems: 'center', minHeight: TOUCH } });
