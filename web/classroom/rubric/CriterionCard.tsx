import styled from 'styled-components';
import limits from '../../../schema/limits.json';
import { say } from '../../messages/say';
import { Card, Field, IconButton, Quiet, Row } from '../../parts/controls';
import { BinIcon } from '../../parts/icons';
import { newLevel, type DraftCriterion } from './draft';

const Levels = styled.ol`
  display: grid;
  gap: 8px;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 88px auto;
    gap: 8px;
    align-items: end;
  }
  @media (max-width: 480px) {
    li {
      grid-template-columns: minmax(0, 1fr) 72px auto;
    }
  }
`;

/** One thing that is looked at: what it is called, how often it counts, and its levels. */
export function CriterionCard(props: {
  criterion: DraftCriterion;
  number: number;
  of: number;
  onChange: (next: DraftCriterion) => void;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
}) {
  const { criterion, number, of, onChange, onMove, onRemove } = props;
  const { name, weight, levels } = criterion;
  const change = (at: number, part: Partial<DraftCriterion['levels'][number]>) =>
    onChange({ ...criterion, levels: levels.map((one, n) => (n === at ? { ...one, ...part } : one)) });
  return (
    <Card as="li" aria-label={say('rubric.criterion', { number })}>
      <Row style={{ alignItems: 'end' }}>
        <div style={{ flex: '1 1 240px' }}>
          <Field
            label={say('rubric.name')}
            value={name}
            onChange={(to) => onChange({ ...criterion, name: to })}
            max={limits.rubricText}
            isRequired
          />
        </div>
        <div style={{ width: 88 }}>
          <Field
            label={say('rubric.weight')}
            type="number"
            value={weight}
            onChange={(to) => onChange({ ...criterion, weight: to })}
            isRequired
          />
        </div>
      </Row>
      <Levels>
        {levels.map(({ key, sentence, points }, n) => (
          <li key={key}>
            <Field
              label={say('rubric.level', { number: n + 1 })}
              value={sentence}
              onChange={(to) => change(n, { sentence: to })}
              max={limits.rubricText}
              isRequired
            />
            <Field
              label={say('rubric.points-of', { number: n + 1 })}
              type="number"
              value={points}
              onChange={(to) => change(n, { points: to })}
              isRequired
            />
            <IconButton
              label={say('rubric.remove-level', { number: n + 1 })}
              isDisabled={levels.length <= 2}
              onPress={() => onChange({ ...criterion, levels: levels.filter((one) => one.key !== key) })}
            >
              <BinIcon />
            </IconButton>
          </li>
        ))}
      </Levels>
      <Row>
        <Quiet
          isDisabled={levels.length >= limits.levels}
          onPress={() => onChange({ ...criterion, levels: [...levels, newLevel()] })}
        >
          {say('rubric.add-level')}
        </Quiet>
        <Quiet isDisabled={number === 1} onPress={() => onMove(-1)}>
          {say('rubric.up')}
        </Quiet>
        <Quiet isDisabled={number === of} onPress={() => onMove(1)}>
          {say('rubric.down')}
        </Quiet>
        <Quiet isDisabled={of === 1} onPress={onRemove}>
          {say('rubric.remove')}
        </Quiet>
      </Row>
    </Card>
  );
}
