import { useState } from 'react';
import { View } from 'react-native';
import { Button } from 'react-native-paper';
import { Words } from '@/look/text';

/** Puts a text into the clipboard; where the browser does not let it, says so. */
export function useCopy(): { said: string; copy: (text: string) => void } {
  const [said, setSaid] = useState('');
  const copy = (text: string) =>
    void navigator.clipboard.writeText(text).then(
      () => setSaid('Copied'),
      () => setSaid(`The browser does not let this page copy. It is: ${text}`),
    );
  return { said, copy };
}

/** A button that copies a text. */
export function CopyText({ text, name, words = 'Copy' }: { text: string; name: string; words?: string }) {
  const { said, copy } = useCopy();
  return (
    <View>
      <Button icon="content-copy" onPress={() => copy(text)} accessibilityLabel={`Copy ${name}`}>
        {words}
      </Button>
      <View role="status">{said !== '' && <Words kind="small">{said}</Words>}</View>
    </View>
  );
}
