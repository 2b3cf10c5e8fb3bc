import styled from 'styled-components';

const Field = styled.label`
  display: flex;
  align-items: center;
  gap: 12px;
  input {
    width: 64px;
    height: 40px;
    padding: 2px;
    border: 1px solid var(--edge);
    border-radius: var(--radius);
    background: var(--raised);
    cursor: pointer;
  }
`;

interface Props {
  label: string;
  /** As #rrggbb. */
  value: string;
  /** A colour is found by moving over many: it hears of each. */
  onChange: (colour: string) => void;
}

/** Any colour. */
export function ColourField({ label, value, onChange }: Props) {
  return (
    <Field>
      {label}
      <input type="color" value={value} onChange={(event) => onChange(event.target.value)} />
    </Field>
  );
}
