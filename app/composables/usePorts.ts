import { portScope, portsIn, valveScope, type PortName, type Scope, type Valve } from '#core'
import { capital } from '#shared/figures'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { sayPortOf } from '~/words/ports'

/** Which port is on the bench: of the selected cylinder, intake or exhaust, and which of several. */
export function usePorts() {
  const build = useBuild()
  const choices = useChoices()
  const layout = computed(() => build.replayed?.layout)
  const side = choices.choice<Valve>('portSide', 'intake')
  const many = computed(() => layout.value ? portsIn({ ...layout.value, cylinders: [build.cylinder] }, side.value).length : 1)
  const nth = choices.choice<string>('portNth', '1')
  const n = computed(() => Math.min(Number(nth.value) || 1, Math.max(1, many.value)))
  const port = computed<PortName>(() => ({ cylinder: build.cylinder, valve: side.value, n: n.value }))
  /** All of this side, along the engine. */
  const ports = computed(() => layout.value ? portsIn(layout.value, side.value) : [])
  const scopeOf = (of: PortName): Scope => layout.value ? portScope(layout.value, of) : { level: 'port', cylinder: of.cylinder, port: of.valve }
  const seatScopeOf = (of: PortName): Scope => layout.value ? valveScope(layout.value, of) : { level: 'valve', cylinder: of.cylinder, valve: of.valve }
  const same = (a: PortName, b: PortName) => a.cylinder === b.cylinder && a.valve === b.valve && a.n === b.n
  const sayPort = ({ cylinder, valve, n: which }: PortName) => sayPortOf({ cylinder, valve, ...many.value > 1 ? { n: which } : {} })
  /** The same as a sentence begins with it. */
  const nameOf = (of: PortName) => capital(sayPort(of))
  function choose(of: PortName) {
    build.cylinder = of.cylinder
    nth.value = String(of.n)
  }
  return { side, many, nth, n, port, ports, scopeOf, seatScopeOf, same, sayPort, nameOf, choose }
}
