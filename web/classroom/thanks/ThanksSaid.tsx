import type { HandInView } from '../../api/types';
import { say } from '../../messages/say';
import { Card } from '../../parts/controls';
import { ThanksList } from './ThanksList';

/** Who of the class said thank you for a film, for who made it and who teaches them. */
export function ThanksSaid({ data }: { data: HandInView }) {
  if (data.thanks.length === 0) return null;
  return (
    <Card aria-labelledby="thanks">
      <h2 id="thanks">{say('thanks.said', { count: data.thanks.length })}</h2>
      <ThanksList thanks={data.thanks} />
    </Card>
  );
}
