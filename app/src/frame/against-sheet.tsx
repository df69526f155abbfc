import { useReleases } from '@/data/incidents';
import { clock } from '@/look/format';
import { Words } from '@/look/text';
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
    const { against: _against, release: _release, ...rest } = view;
    onChange(value === 'nothing' ? rest : { ...rest, against: value });
    // Which release is asked next.
    if (value !== 'release') onClose();
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
      {view.against === 'release' && <WhichRelease view={view} onChange={onChange} onClose={onClose} />}
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

const NEWEST = 'newest';

/** Releases of the week before, of every application and component: one of them, or whichever is the newest. */
function WhichRelease({ view, onChange, onClose }: Props) {
  const { data } = useReleases(view);
  if (!data) return <Words kind="muted">Looking for releases …</Words>;
  if (data.releases.length === 0) return <Words kind="muted">No release was seen in the week before.</Words>;
  return (
    <>
      <Words kind="strong">Which release</Words>
      <Choice
        label="Which release"
        options={[
          { value: NEWEST, words: 'The newest' },
          ...data.releases.map(({ version, of, atMs }) => ({
            value: new Date(atMs).toISOString(),
            words: `${version} of ${of}`,
            detail: `first seen ${clock(atMs)}`,
          })),
        ]}
        chosen={view.release ?? NEWEST}
        onChoose={(value) => {
          const { release: _release, ...rest } = view;
          onChange(value === NEWEST ? rest : { ...rest, release: value });
          onClose();
        }}
      />
    </>
  );
}
