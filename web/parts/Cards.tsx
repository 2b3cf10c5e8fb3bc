import { Label, Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';

/** What is chosen by seeing it: each a picture with its name. */
const Group = styled(RadioGroup)<{ $across: string }>`
  display: grid;
  gap: 4px;
  > span {
    font-size: 0.875rem;
    color: var(--soft);
  }
  .cards {
    display: grid;
    grid-template-columns: ${({ $across }) => $across};
    gap: 8px;
  }
`;
const Card = styled(Radio)`
  /* What is hidden in it for who cannot see is within it: gone to, it scrolls nothing else. */
  position: relative;
  display: grid;
  gap: 4px;
  align-content: start;
  padding: 5px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--raised);
  cursor: pointer;
  min-height: 40px;
  font-size: 0.9375rem;
  &[data-hovered] {
    border-color: var(--indigo);
  }
  &[data-selected] {
    border-color: var(--indigo);
    box-shadow: 0 0 0 2px var(--indigo);
    background: var(--indigo-wash);
    font-weight: 600;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--indigo);
    outline-offset: 4px;
  }
`;

interface Props<T extends string> {
  label: string;
  value: T;
  /** Each with what it is called and what is seen of it, which hears whether somebody looks at it. */
  options: { key: T; name: string; content: (isLookedAt: boolean) => React.ReactNode }[];
  /** Columns, as a grid has them. */
  across: string;
  onChange: (value: T) => void;
}

export function Cards<T extends string>({ label, value, options, across, onChange }: Props<T>) {
  return (
    <Group value={value} onChange={(next) => onChange(next as T)} orientation="horizontal" $across={across}>
      <Label>{label}</Label>
      <div className="cards">
        {options.map(({ key, name, content }) => (
          <Card key={key} value={key} aria-label={name}>
            {({ isHovered, isFocusVisible }) => content(isHovered || isFocusVisible)}
          </Card>
        ))}
      </div>
    </Group>
  );
}
