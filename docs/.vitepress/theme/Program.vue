<script setup>
/** The program of a step, running, with a button for each of its mistakes. */
import { computed, ref } from 'vue';
import { data } from '../programs.data.mjs';

const props = defineProps({ name: { type: String, required: true } });
const mistakes = computed(() => data[props.name] ?? []);
const shown = ref(props.name);
</script>

<template>
  <figure class="program">
    <iframe :key="shown" :src="`/programs/${shown}.html`" :title="`The program of this step`" loading="lazy"></iframe>
    <figcaption>
      <button type="button" :aria-pressed="shown === name" @click="shown = name">The program</button>
      <button
        v-for="mistake in mistakes"
        :key="mistake.name"
        type="button"
        class="mistake"
        :aria-pressed="shown === mistake.name"
        @click="shown = mistake.name"
      >
        {{ mistake.title }}
      </button>
    </figcaption>
  </figure>
</template>
