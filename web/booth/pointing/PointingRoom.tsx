import { Dialog, DialogTrigger, Heading } from 'react-aria-components';
import { say, type Code } from '../../messages/say';
import { Picks } from '../../parts/Choice';
import { Button } from '../../parts/controls';
import { Above } from '../Above';
import { FORMS, type Form, type usePointing } from './usePointing';

const names: Record<Form, Code> = {
  off: 'point.off',
  ring: 'point.ring',
  arrow: 'point.arrow',
  light: 'point.light',
};

interface Props {
  pointing: ReturnType<typeof usePointing>;
  isDisabled: boolean;
}

/** What one points with, whether it is done again, or dropped. */
export function PointingRoom({ pointing, isDisabled }: Props) {
  const { form, choose, canPoint, isPointed, start, drop } = pointing;
  return (
    <DialogTrigger>
      <Button isDisabled={isDisabled}>
        {form === 'off' ? say('point.title') : `${say('point.title')}: ${say(names[form])}`}
      </Button>
      <Above>
        <Dialog>
          {({ close }) => (
            <div style={{ display: 'grid', gap: 12 }}>
              <Heading slot="title">{say('point.title')}</Heading>
              <Picks
                label={say('point.with')}
                value={form}
                options={FORMS.map((one) => [one, say(names[one])])}
                onChange={choose}
              />
              <p>{say('point.hint')}</p>
              <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8 }}>
                <Button
                  isDisabled={!canPoint}
                  onPress={() => {
                    close();
                    void start();
                  }}
                >
                  {say('point.again')}
                </Button>
                <Button
                  isDisabled={!isPointed}
                  onPress={() => {
                    close();
                    drop();
                  }}
                >
                  {say('point.drop')}
                </Button>
              </div>
            </div>
          )}
        </Dialog>
      </Above>
    </DialogTrigger>
  );
}
