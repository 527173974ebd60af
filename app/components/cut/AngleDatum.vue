<script setup lang="ts">
/** What an angle is measured from: the bore's line dashed, level hairlined, the angle in dye. */
const props = defineProps<{ of: 'run' | 'pushrod' | 'flange' | 'bolts' | 'rolled' }>()
const SAYS = {
  run: 'The tight run of the chain leans from the bore’s line by this angle.',
  pushrod: 'The pushrod leans from the bore’s line by this angle.',
  flange: 'Half the bank angle lies between the bore’s line and upright. The flange’s angle is measured from horizontal.',
  bolts: 'Thread is measured from the bolt’s end to the bottom of its hole, the room over a dowel from its top to the top of its hole.',
  rolled: 'The bolt’s seat stays square to the old face, dashed; the bolt stands square to the new one.'
} as const
const says = computed(() => SAYS[props.of])
</script>

<template>
  <svg viewBox="0 0 150 78" width="150" height="78" role="img" :aria-label="says" class="datum">
    <template v-if="of === 'run'">
      <path d="M40 74V6" class="bore" /><circle cx="40" cy="64" r="9" class="line" /><circle cx="58" cy="16" r="13" class="line" />
      <path d="M31 64L45 16" class="line" /><path d="M49 64L71 16" class="part" /><path d="M49 64V16M49 34a30 30 0 0 1 13 2" class="angle" />
      <text x="80" y="34">tight run</text><text x="80" y="70">bore</text><path d="M44 70H76" class="lead" />
    </template>
    <template v-else-if="of === 'pushrod'">
      <path d="M44 74V6" class="bore" /><path d="M44 74L66 12" class="part" /><path d="M44 40a34 34 0 0 1 11 2" class="angle" />
      <path d="M66 12H20" class="line" /><text x="76" y="44">pushrod</text><text x="8" y="72">bore</text>
    </template>
    <template v-else-if="of === 'bolts'">
      <path d="M6 30H144" class="line" /><path d="M30 74V30M62 74V30M30 74H62" class="line" /><path d="M36 4V58H56V4" class="part" /><path d="M46 58V74M41 58H51M41 74H51" class="angle" /><text x="66" y="72">thread</text>
      <path d="M100 30V16H120V30" class="part" /><path d="M96 30V4H124V30" class="line" /><path d="M110 4V16M105 4H115M105 16H115" class="angle" /><text x="84" y="46">dowel</text>
    </template>
    <template v-else-if="of === 'rolled'">
      <path d="M10 70L140 52" class="part" /><path d="M10 70H140" class="bore" /><path d="M110 70A100 100 0 0 0 109 56" class="angle" />
      <path d="M52 26H92" class="line" /><path d="M64 8L76 66M76 6L88 64" class="line" /><text x="100" y="24">seat</text>
    </template>
    <template v-else>
      <path d="M75 76V4" class="level" /><path d="M75 76L28 12" class="bore" /><path d="M75 36A40 40 0 0 0 51 44" class="angle" />
      <path d="M20 30L52 8" class="line" /><path d="M86 62L134 28" class="part" /><path d="M86 62H140" class="level" /><path d="M112 62A26 26 0 0 0 107 47" class="angle" />
      <text x="56" y="30">½</text><text x="94" y="76">flange</text>
    </template>
  </svg>
</template>

<style scoped>
path, circle { fill: none; stroke: var(--ink); stroke-width: 1.5; }
.part { stroke-width: 3; }
.bore { stroke-dasharray: 10 3 2 3; stroke-width: 1; }
.level, .lead { stroke: var(--hair); stroke-width: 1.5; }
.angle { stroke: var(--dye); stroke-width: 2.5; }
</style>
