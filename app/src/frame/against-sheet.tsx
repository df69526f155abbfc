import { Choice } from './choice';
import { Sheet } from './sheet';
import { AGAINST, AGAINST_WORDS, type Against, type View } from './view';

export type Props = {
  view: View;
  onChange: (view: View) => void;
  onClose: () => void;
};

/** With what the window is compared, and with which rates a past one is billed. */
export function AgainstSheet({ view, onChange, onClose }: Props) {
  const choose = (value: Against) => {
    const { against: _against, ...rest } = view;
    onChange(value === 'nothing' ? rest : { ...rest, against: value });
    onClose();
  };
  const setRates = (value: 'then' | 'today') => {
    const { rates: _rates, ...rest } = view;
    onChange(value === 'then' ? rest : { ...rest, rates: value });
  };
  return (
    <Sheet title="Compare with" onClose={onClose}>
      <Choice
        label="Compare with"
        options={AGAINST.map((value) => ({ value, words: AGAINST_WORDS[value] }))}
        chosen={view.against ?? 'nothing'}
        onChoose={choose}
      />
      {view.from !== undefined && (
        <Choice
          label="Harm rates"
          options={[
            { value: 'then', words: 'Harm rates as they were then' },
            { value: 'today', words: 'Harm rates as they are today' },
          ]}
          chosen={view.rates ?? 'then'}
          onChoose={setRates}
        />
      )}
    </Sheet>
  );
}
