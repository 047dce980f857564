import { drag, type D3DragEvent } from 'd3-drag';
import { select } from 'd3-selection';
import type { Directive } from 'vue';

/** How far the hand has moved since it took hold, in pixels of the window, and whether it has let go. */
export type Drag = (movedX: number, movedY: number, done: boolean) => void;

interface Held {
  handler: Drag;
}
const held = new WeakMap<Element, Held>();

/** Lets an element be dragged. The drawing behind it does not move meanwhile. */
export const vDrag: Directive<SVGElement, Drag> = {
  mounted(element, { value }) {
    held.set(element, { handler: value });
    let [startX, startY] = [0, 0];
    const moved = (event: D3DragEvent<SVGElement, unknown, unknown>): [number, number] => {
      const { clientX, clientY } = pointOf(event.sourceEvent as MouseEvent | TouchEvent);
      return [clientX - startX, clientY - startY];
    };
    let last: [number, number] = [0, 0];
    select(element).call(
      drag<SVGElement, unknown>()
        .on('start', (event: D3DragEvent<SVGElement, unknown, unknown>) => {
          const { clientX, clientY } = pointOf(event.sourceEvent as MouseEvent | TouchEvent);
          [startX, startY, last] = [clientX, clientY, [0, 0]];
        })
        .on('drag', (event: D3DragEvent<SVGElement, unknown, unknown>) => {
          last = moved(event);
          held.get(element)?.handler(...last, false);
        })
        .on('end', () => {
          if (last[0] !== 0 || last[1] !== 0) held.get(element)?.handler(...last, true);
        }),
    );
  },
  updated(element, { value }) {
    held.set(element, { handler: value });
  },
};

function pointOf(event: MouseEvent | TouchEvent): { clientX: number; clientY: number } {
  return 'touches' in event ? (event.touches[0] ?? event.changedTouches[0]!) : event;
}
