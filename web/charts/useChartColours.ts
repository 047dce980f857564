import { computed, type ComputedRef } from 'vue';
import { useTheme } from '../stores/theme';

export interface ChartColours {
  ink: string;
  dim: string;
  rule: string;
  copper: string;
  verdigris: string;
  ochre: string;
  madder: string;
  sheet: string;
  mono: string;
  face: string;
}

/** The theme's colours as a chart library takes them. They change with the theme. */
export function useChartColours(): ComputedRef<ChartColours> {
  const theme = useTheme();
  return computed(() => {
    void theme.mode.value;
    const style = getComputedStyle(document.documentElement);
    const of = (name: string): string => style.getPropertyValue(name).trim();
    return {
      ink: of('--ink'),
      dim: of('--ink-2'),
      rule: of('--rule'),
      copper: of('--copper'),
      verdigris: of('--verdigris'),
      ochre: of('--ochre'),
      madder: of('--madder'),
      sheet: of('--sheet'),
      mono: of('--mono'),
      face: of('--face'),
    };
  });
}
