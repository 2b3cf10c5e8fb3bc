import { useMove } from 'react-aria/useMove';

interface Props {
  name: string;
  /** What is heard besides its name. */
  about?: string;
  className: string;
  style?: React.CSSProperties;
  moves: Parameters<typeof useMove>[0];
  onKeyDown?: (event: React.KeyboardEvent) => void;
  onClick?: () => void;
  onFocus?: () => void;
}

/** What can be taken hold of, by mouse, finger and keys. */
export function Held({ name, about, moves, onKeyDown, ...look }: Props) {
  const { moveProps } = useMove(moves);
  return (
    <button
      type="button"
      aria-label={name}
      aria-description={about}
      {...look}
      {...moveProps}
      onKeyDown={(event) => {
        onKeyDown?.(event);
        if (!event.defaultPrevented) moveProps.onKeyDown?.(event);
      }}
    />
  );
}
