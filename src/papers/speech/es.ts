import { format } from 'date-fns'
import { es as months } from 'date-fns/locale/es'
import { dateWords } from '@/words'
import type { BackupName, PartialSpeech } from './speech'

const SOURCE: Record<BackupName, string> = { strips: 'las resistencias', furnace: 'el horno' }
const asMuch = (times: number): string =>
  times >= 0.95 && times <= 1.05
    ? 'más o menos lo mismo que'
    : times < 1
      ? `más o menos el ${Math.round(times * 100)} % de lo que cuesta`
      : `unas ${String(Math.round(times * 10) / 10).replace('.', ',')} veces lo que cuesta`

/** Spanish, as far as it goes: what owners read, and the heads of a report. */
export const es: PartialSpeech = {
  lang: 'es',
  name: 'Español',
  labels: {
    report: 'Informe de puesta en marcha',
    atAGlance: 'En un minuto',
    whatItIs: 'Qué es',
    proven: 'Qué se comprobó',
    gear: 'Equipos',
    landing: 'Cableado',
    schedule: 'Tabla de conexiones',
    settings: 'Ajustes tal como quedan',
    run: 'Pruebas',
    readings: 'Lecturas',
    kit: 'Calor auxiliar y circuitos',
    crossing: 'Qué calienta y cuándo',
    putBack: 'Cambiado para una prueba',
    safety: 'Seguridad',
    signatures: 'Firmas',
    broken: 'Falla',
    look: 'Revisar',
    undecided: 'Sin decidir',
    holds: 'Se cumple',
    open: 'Qué queda pendiente',
    nothingOpen: 'Nada queda pendiente.',
    noReadings: 'No se tomaron lecturas.',
    conductor: 'Conductor',
    from: 'De',
    to: 'A',
    notLanded: 'sin conectar',
    technician: 'Técnico',
    licence: 'Licencia',
    arrived: 'Llegada',
    departed: 'Salida',
    lastReading: 'Última lectura',
    noReadingsYet: 'Todavía sin lecturas',
    notKnown: 'no se sabe',
    nobody: 'sin nombre',
    notSigned: 'Sin firma.',
    page: 'Página',
    cabinetCard: 'Tarjeta del equipo',
    ownersCard: 'Cómo está ajustada su calefacción',
    costs: 'Lo que cuesta',
  },
  roles: { technician: 'Técnico', owner: 'Propietario', inspector: 'Inspector' },
  verdicts: { right: 'Bien', watch: 'Mirar otra vez', wrong: 'Mal', unjudged: 'Anotado' },
  day: (at) => format(at, "d 'de' MMMM 'de' yyyy", { locale: months }),
  moment: (at) => dateWords(at, 'd MMM yyyy HH:mm', months),
  owner: {
    droop: (text, value) =>
      value === 0
        ? 'El calor auxiliar ayuda en cuanto la habitación se enfría: lo más constante, y lo más caro.'
        : `El calor auxiliar ayuda solo cuando la habitación está ${text} por debajo de lo que usted pide.`,
    compressorLockout: (text) => `Con menos de ${text} afuera, calienta solo el calor auxiliar.`,
    auxLockout: (text) =>
      `Con más de ${text} afuera, el calor auxiliar queda apagado y calienta solo la bomba de calor, que es más barata.`,
    outdoorSwitch: (text) =>
      `Con más de ${text} afuera, las resistencias quedan apagadas, salvo en emergencia.`,
    changeover: (text) => `Con menos de ${text} afuera calienta el horno; por encima, la bomba de calor.`,
    earlyRecovery: (_, value) =>
      value === 'on'
        ? 'Empieza antes, para que la casa esté templada a la hora que usted puso. Puede oírlo antes de esa hora.'
        : 'Empieza a la hora que usted puso, y la casa se templa un rato después.',
    minimumOff: (text, value) =>
      Number(value) > 0
        ? `Cuando se para, la bomba de calor espera ${text.replace('min', 'minutos')} antes de arrancar. No es una avería.`
        : null,
  },
  auxCosts: (times, at, source) =>
    `Cuando la pared muestra AUX, ${source === 'strips' ? 'ayudan las resistencias' : 'calienta el horno en lugar de la bomba de calor'}. A ${at} afuera el mismo calor cuesta entonces ${asMuch(times)} con la bomba de calor.`,
  cheaperAbove: (at) =>
    `A los precios de hoy la bomba de calor sale más barata con más de ${at} afuera; con menos, el horno.`,
  emergencyCosts: (times, source) =>
    `El calor de emergencia es para cuando la bomba de calor ha fallado: entonces ${source === 'strips' ? `calientan solas ${SOURCE.strips}` : `calienta solo ${SOURCE.furnace}`}${times === null ? ', y cuesta más' : `, por ${asMuch(times)} con la bomba de calor`}. Llámenos cuando lo necesite.`,
}
