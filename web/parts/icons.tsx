/** Drawn for this product: 20 units square, one weight of line. */
const draw = (children: React.ReactNode) =>
  function Icon({ size = 20 }: { size?: number }) {
    return (
      <svg
        width={size}
        height={size}
        viewBox="0 0 20 20"
        fill="none"
        stroke="currentColor"
        strokeWidth={1.8}
        strokeLinecap="round"
        strokeLinejoin="round"
        aria-hidden
        focusable="false"
      >
        {children}
      </svg>
    );
  };

export const PlayIcon = draw(<path d="M6 4l10 6-10 6z" fill="currentColor" />);
export const PauseIcon = draw(<path d="M6.500 4v12M13.500 4v12" strokeWidth={3} />);
export const UndoIcon = draw(<path d="M7 4L3 8l4 4M3 8h8a5 5 0 010 9H8" />);
export const RedoIcon = draw(<path d="M13 4l4 4-4 4M17 8H9a5 5 0 000 9h3" />);
export const HandleIcon = draw(<path d="M7 4v.01M7 10v.01M7 16v.01M13 4v.01M13 10v.01M13 16v.01" strokeWidth={3} />);
export const UpIcon = draw(<path d="M10 16V4M5 9l5-5 5 5" />);
export const DownIcon = draw(<path d="M10 4v12M5 11l5 5 5-5" />);
export const BackIcon = draw(<path d="M12.500 4l-6 6 6 6" />);
export const OnIcon = draw(<path d="M7.500 4l6 6-6 6" />);
/** There is a list below. */
export const ListIcon = draw(<path d="M6 8l4 4 4-4" />);
export const BinIcon = draw(<path d="M3 6h14M8 6V3h4v3M5 6l1 11h8l1-11M8.500 9v5M11.500 9v5" />);
export const CopyIcon = draw(<path d="M7 7h10v10H7zM13 7V3H3v10h4" />);
export const PlusIcon = draw(<path d="M10 4v12M4 10h12" />);
export const WholeIcon = draw(<path d="M3 8V3h5M12 3h5v5M17 12v5h-5M8 17H3v-5" />);
export const VoiceIcon = draw(
  <path d="M10 2.500a2.500 2.500 0 012.500 2.500v5a2.500 2.500 0 01-5 0V5A2.500 2.500 0 0110 2.500zM4.500 9.500a5.500 5.500 0 0011 0M10 15v3" />,
);
export const MoreIcon = draw(<path d="M4 10v.01M10 10v.01M16 10v.01" strokeWidth={3} />);
export const WordsIcon = draw(<path d="M2 5h16v10H2zM5 11.500h5M12.500 11.500H15" />);
export const CloseIcon = draw(<path d="M5 5l10 10M15 5L5 15" />);
export const LeaveIcon = draw(<path d="M8 3H3v14h5M8 10h9M13 6l4 4-4 4" />);
export const TickIcon = draw(<path d="M4 11l4 4 8-10" />);
const turned = 'M4 5v4h4M4.600 9a6 6 0 111.400 5.200';
export const TurnLeftIcon = draw(<path d={turned} />);
export const TurnRightIcon = draw(<path d={turned} transform="matrix(-1 0 0 1 20 0)" />);
export const CameraIcon = draw(
  <path d="M2.500 6h3.500l1.500-2.500h5L14 6h3.500v10h-15zM10 8a3 3 0 110 6 3 3 0 010-6z" />,
);
