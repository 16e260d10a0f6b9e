import { useCallback, useMemo, useState } from 'react';

/** Which mark of a picture is looked at: the one under the pointer, else the one that was chosen. */
export type MarkChoice = {
  at: number | null;
  chosen: number | null;
  choose: (key: number | null) => void;
  hover: (key: number | null) => void;
};

/** The choice of a mark, forgotten when what the pictures are `of` changes. */
export function useMarks(of: string): MarkChoice {
  const [chosen, setChosen] = useState<{ of: string; key: number } | null>(null);
  const [hovered, setHovered] = useState<{ of: string; key: number } | null>(null);
  const choose = useCallback((key: number | null) => setChosen(key === null ? null : { of, key }), [of]);
  const hover = useCallback((key: number | null) => setHovered(key === null ? null : { of, key }), [of]);
  const chosenKey = chosen?.of === of ? chosen.key : null;
  const hoveredKey = hovered?.of === of ? hovered.key : null;
  return useMemo(
    () => ({ at: hoveredKey ?? chosenKey, chosen: chosenKey, choose, hover }),
    [hoveredKey, chosenKey, choose, hover],
  );
}
