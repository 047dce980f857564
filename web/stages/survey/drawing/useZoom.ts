import { useElementSize } from '@vueuse/core';
import { select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior, type ZoomTransform } from 'd3-zoom';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import type { Spot } from '#core/model/site';

/** Pan and zoom of a sheet of so many pixels inside an SVG element. Wheel, pinch and drag are the library's. */
export function useZoom(
  svg: Readonly<Ref<SVGSVGElement | null>>,
  sheet: Readonly<Ref<{ id: string; widthPx: number; heightPx: number } | null>>,
) {
  const { width, height } = useElementSize(svg);
  const transform = shallowRef<ZoomTransform>(zoomIdentity);
  const behaviour = ref<ZoomBehavior<SVGSVGElement, unknown>>();
  let fitted = '';

  function fit(): void {
    const [element, paper] = [svg.value, sheet.value];
    if (!element || !paper || width.value === 0 || !behaviour.value) return;
    const k = Math.min(width.value / paper.widthPx, height.value / paper.heightPx) * 0.97;
    const [x, y] = [(width.value - paper.widthPx * k) / 2, (height.value - paper.heightPx * k) / 2];
    behaviour.value.scaleExtent([k / 4, Math.max(8, k * 40)]);
    select(element).call(behaviour.value.transform, zoomIdentity.translate(x, y).scale(k));
  }
  const by = (factor: number) =>
    svg.value && behaviour.value && select(svg.value).call(behaviour.value.scaleBy, factor);

  watch(
    svg,
    (element) => {
      if (!element) return;
      const one = zoom<SVGSVGElement, unknown>()
        .clickDistance(4)
        .on('zoom', (event: { transform: ZoomTransform }) => {
          transform.value = event.transform;
        });
      behaviour.value = one;
      select(element).call(one).on('dblclick.zoom', null);
    },
    { flush: 'post', immediate: true },
  );
  watch(
    [width, height, sheet, behaviour],
    () => {
      const key = `${sheet.value?.id} ${sheet.value?.widthPx}`;
      if (width.value > 0 && sheet.value && key !== fitted) {
        fit();
        fitted = key;
      }
    },
    { flush: 'post', immediate: true },
  );

  const isReady = computed(() => transform.value !== zoomIdentity);
  /** A point of the window as a spot on the sheet. */
  function spotAt(event: { clientX: number; clientY: number }): Spot {
    const box = svg.value!.getBoundingClientRect();
    const [x, y] = transform.value.invert([event.clientX - box.left, event.clientY - box.top]);
    return { x, y };
  }
  /** The spot of the sheet in the middle of the window. */
  function middle(): Spot {
    const [x, y] = transform.value.invert([width.value / 2, height.value / 2]);
    return { x, y };
  }
  return { transform, fit, by, spotAt, middle, isReady };
}
