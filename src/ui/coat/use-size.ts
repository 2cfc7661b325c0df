import { useEffect, useRef, useState, type RefObject } from 'react';

/** The whole pixels that an element has room for, followed as they change; 0 before it stands. */
export function useSize(): {
  readonly box: RefObject<HTMLDivElement | null>;
  readonly width: number;
  readonly height: number;
} {
  const box = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const observer = new ResizeObserver((entries) => {
      const room = entries[0]?.contentRect;
      if (room) setSize({ width: Math.floor(room.width), height: Math.floor(room.height) });
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { box, ...size };
}
