<script setup lang="ts">
import { computed } from 'vue';
import { removeDrawing } from '#core/survey/drawing';
import { thingName, type Change, type Drawing, type Pin, type Site } from '#core/model/site';
import { choices } from '#core/model/labels';
import FieldRow from '../../../parts/FieldRow.vue';
import TextField from '../../../parts/TextField.vue';
import type { Tool } from './tools';

/** What is still to be put on the drawing, and the drawing itself. */
const { site, drawing, tool } = defineProps<{ site: Site; drawing: Drawing; tool: Tool }>();
const emit = defineEmits<{ begin: [tool: Tool]; finish: []; change: [label: string, changes: Change[]] }>();

const standing = computed(() => new Set(Object.values(site.pin).map(({ of }) => `${of.kind}/${of.id}`)));
const all = computed<{ heading: string; things: Pin['of'][] }[]>(() => [
  {
    heading: 'Cameras',
    things: Object.values(site.camera)
      .sort((a, b) => a.number - b.number)
      .map(({ id }) => ({ kind: 'camera', id })),
  },
  { heading: 'Places', things: Object.values(site.place).map(({ id }) => ({ kind: 'place', id })) },
  {
    heading: 'Head end gear',
    things: [
      ...Object.values(site.recorder).map(({ id }): Pin['of'] => ({ kind: 'recorder', id })),
      ...Object.values(site.supply).map(({ id }): Pin['of'] => ({ kind: 'supply', id })),
      ...Object.values(site.equipment).map(({ id }): Pin['of'] => ({ kind: 'equipment', id })),
    ],
  },
]);
const left = computed(() =>
  all.value
    .map(({ heading, things }) => ({
      heading,
      things: things.filter(({ kind, id }) => !standing.value.has(`${kind}/${id}`)),
    }))
    .filter(({ things }) => things.length > 0),
);
const isPutting = (of: Pin['of']) => tool.kind === 'put' && tool.of.kind === of.kind && tool.of.id === of.id;
const roles = choices.role.filter(({ value }) => value !== 'area');
const routes = computed(() => Object.values(site.route).filter(({ drawingId }) => drawingId === drawing.id));
const nameAllowed = (text: string) =>
  text.length >= 1 && text.length <= 80 ? undefined : 'from 1 to 80 characters';
</script>

<template>
  <button
    v-if="tool.kind === 'route' && tool.points.length > 1"
    type="button"
    class="btn go"
    @click="emit('finish')"
  >
    End the route
  </button>
  <p v-if="!drawing.scale" class="caution">
    This drawing has no scale yet. Set it first: press <kbd>s</kbd>.
  </p>
  <section>
    <h2 class="minor">A new place here</h2>
    <div class="roles">
      <button
        v-for="role in roles"
        :key="role.value"
        type="button"
        class="btn small"
        :aria-pressed="tool.kind === 'put-place' && tool.role === role.value"
        @click="emit('begin', { kind: 'put-place', role: role.value })"
      >
        {{ role.label }}
      </button>
    </div>
  </section>
  <section v-for="group in left" :key="group.heading">
    <h2 class="minor">{{ group.heading }} not on a drawing</h2>
    <button
      v-for="of in group.things"
      :key="`${of.kind}/${of.id}`"
      type="button"
      class="plain thing"
      :aria-pressed="isPutting(of)"
      @click="emit('begin', { kind: 'put', of })"
    >
      {{ thingName(site, of) }}
    </button>
  </section>
  <p v-if="left.length === 0" class="dim">
    Everything stands on a drawing. Click a mark or a route to change it; drag it to move it.
  </p>
  <section>
    <h2 class="minor">This drawing</h2>
    <FieldRow label="Name"
      ><TextField
        :value="drawing.name"
        label="Name of the drawing"
        :refuse="nameAllowed"
        @take="
          (name) =>
            emit('change', 'Name of the drawing', [
              { kind: 'drawing', id: drawing.id, set: { ...drawing, name } },
            ])
        "
    /></FieldRow>
    <p class="dim tiny">
      {{
        routes.length === 0
          ? 'No routes on it yet.'
          : `${routes.length} route${routes.length === 1 ? '' : 's'} on it. Click one for its length and its segments.`
      }}
    </p>
    <button
      type="button"
      class="btn small"
      @click="emit('change', `Remove the drawing ${drawing.name}`, removeDrawing(site, drawing))"
    >
      Remove the drawing
    </button>
  </section>
</template>

<style scoped>
.minor {
  padding-bottom: 3px;
  border-bottom: 1px solid var(--rule-strong);
  margin-bottom: 3px;
}
.roles {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  padding: 2px 0;
}
.roles .btn[aria-pressed='true'] {
  background: var(--copper-3);
  border-color: var(--copper);
}
.thing {
  display: block;
  width: 100%;
  padding: 3px 6px;
  border-top: 1px solid var(--rule);
}
.thing:hover {
  background: var(--sheet);
}
.thing[aria-pressed='true'] {
  background: var(--copper-3);
  box-shadow: inset 3px 0 var(--copper);
}
.btn.small {
  margin-top: 4px;
}
</style>
