<script setup lang="ts">
import { STATIONS, type StationName } from '~/words/stations'

/** How it is done at a station, drawn: what is held where. The words under it say the same. */
defineProps<{ station: StationName }>()
</script>

<template>
  <svg viewBox="0 0 360 150" role="img" :aria-label="STATIONS[station].help.picture" class="picture">
    <g v-if="station === 'sheet'">
      <path d="M60 60V140M240 60V140" class="metal" /><path d="M20 60H60M240 60H340" class="metal" />
      <path d="M62 84Q150 70 238 84V130H62Z" class="part" /><path d="M150 78V130" class="centre" />
      <circle cx="150" cy="28" r="20" class="line" /><path d="M150 48V78M150 28l10 -10" class="line" />
      <path d="M258 60V79M252 60h12M252 79h12" class="dye" /><text x="270" y="76">clearance</text>
      <circle cx="150" cy="112" r="9" class="line" /><text x="166" y="117">pin</text>
    </g>
    <g v-else-if="station === 'pour'">
      <path d="M120 10V140M190 10V140" class="line" /><path d="M120 70Q155 88 190 70V140H120Z" class="fluid" />
      <path d="M120 40h16M120 60h16M120 79h26M120 100h16M120 120h16" class="line" />
      <path d="M146 79H300" class="dye dash" /><path d="M300 79m0 -9q14 -6 26 9q-12 15 -26 9z" class="line" /><circle cx="309" cy="79" r="4" class="ink" />
      <text x="200" y="72">eye level</text><text x="20" y="84">read here</text><path d="M92 79H116" class="line" />
    </g>
    <g v-else-if="station === 'shape'">
      <path d="M30 120Q34 30 90 22H250Q320 26 330 120" class="metal" /><path d="M120 60H220L206 72H134Z" class="part" /><path d="M170 60V14" class="line" />
      <path d="M220 66H318" class="dye" /><path d="M220 60v12M318 60v12" class="dye" /><text x="238" y="56">gap to the wall</text>
      <path d="M170 24V58M164 30l6 -6 6 6M164 52l6 6 6 -6" class="line" /><text x="112" y="46">lift</text>
    </g>
    <g v-else-if="station === 'ports'">
      <path d="M40 20V96L56 116H112" class="metal" /><path d="M240 20V96L224 116H168" class="metal" transform="translate(60 0)" />
      <path d="M56 116L40 96H300L284 116" class="line" /><path d="M92 132H248L270 116H70Z" class="part" /><path d="M170 20V132" class="centre" />
      <path d="M42 84H298" class="dye" /><path d="M42 78v12M298 78v12" class="dye" /><text x="184" y="76">throat</text><text x="256" y="144">valve</text>
    </g>
    <g v-else-if="station === 'cut'">
      <path d="M20 40H110L130 90H250L270 40H340" class="metal" transform="matrix(1 0 0 -1 0 150)" />
      <path d="M20 110H340" class="line" /><path d="M20 124H340" class="dye dash" />
      <path d="M346 110V124M341 110h10M341 124h10" class="dye" /><text x="262" y="142">the cut</text>
      <path d="M130 60L118 90L112 108" class="dyed" /><text x="20" y="84">seat, low edge</text><path d="M104 88L114 102" class="line" />
    </g>
    <g v-else-if="station === 'mockup'">
      <circle cx="120" cy="75" r="62" class="line" /><path d="M58 75H182" class="centre" />
      <path d="M62 75h14M164 75h14M120 17v12M120 121v12" class="solder" />
      <text x="196" y="80">pin’s line</text><text x="132" y="28">across</text>
      <path d="M230 118H340M230 108L340 112" class="line" /><text x="230" y="98">edge-on: the rock</text>
    </g>
    <g v-else-if="station === 'route'">
      <circle cx="30" cy="75" r="8" class="line" /><text x="14" y="108">now</text>
      <path d="M38 75Q80 20 130 36H200Q260 40 310 70" class="dye" /><path d="M38 75Q90 128 150 118H220Q280 112 310 80" class="line dash" />
      <path d="M124 28v16M194 28v16" class="line" /><text x="112" y="22">grind</text><text x="184" y="22">cut</text>
      <path d="M318 62h22v26h-22z" class="part" /><text x="292" y="108">target</text>
    </g>
    <g v-else-if="station === 'flow'">
      <path d="M40 130H320M40 130V16" class="line" /><path d="M40 130Q110 60 190 48T310 40" class="line" /><path d="M40 130Q110 52 190 36T310 26" class="dye" />
      <path d="M190 30V54M184 30h12M184 54h12" class="line" /><text x="200" y="70">both ±</text><text x="250" y="20">after</text><text x="250" y="60">before</text><text x="286" y="146">lift</text><text x="46" y="26">flow</text>
    </g>
    <g v-else-if="station === 'papers'">
      <path d="M120 10H240V140H120Z" class="part" /><path d="M132 26H190M208 26H228" class="metal" /><path d="M132 34H228M132 130H228" class="line" />
      <path d="M132 52H228M132 64H228M132 76H228M132 88H200" class="hair" /><path d="M132 104H170M132 112H186" class="dye" /><text x="252" y="30">which build, of when</text><text x="252" y="134">what is open</text>
    </g>
    <g v-else>
      <path d="M20 30H340M20 62H340M20 94H340M20 126H340" class="hair" />
      <text x="28" y="52">09:12  Pour  Chamber 55.4 cc</text><text x="28" y="84">09:20  Pour  Chamber 57.9 cc</text><path d="M26 79H214" class="dyed" /><text x="226" y="84">struck out: a bubble</text><text x="28" y="116">09:26  Pour  Chamber 55.5 cc</text>
    </g>
  </svg>
</template>

<style scoped>
.picture { width: 100%; max-height: 190px; background: var(--sheet-deep); }
path, circle { fill: none; stroke: var(--ink); stroke-width: 1.5; }
.metal { stroke-width: 2.5; }
.part { fill: var(--well); }
.fluid { fill: var(--well); stroke: none; }
.dye { stroke: var(--dye); stroke-width: 2.5; }
.dyed { stroke: var(--dye); stroke-width: 3; }
.dash { stroke-dasharray: 6 4; }
.centre { stroke-dasharray: 12 4 2 4; stroke-width: 1; }
.solder { stroke-width: 6; }
.ink { fill: var(--ink); }
.hair { stroke: var(--hair); }
</style>
