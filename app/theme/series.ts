/** One line of a chart: its colour by day and by night, how heavy it is, and its dashes. */
export interface Series { day: string, night: string, width: number, dash: readonly number[] }

/**
 * Lines of every chart, in the order they are taken: the state as it is, the latest, then whatever else is compared. They keep
 * 3:1 against the sheet and stay apart in normal sight and in three kinds of colour blindness; dashes tell them apart again.
 * Red is no line: it says stop. Brass is no line: it says target.
 */
export const SERIES: readonly Series[] = [
  { day: '#12202C', night: '#E4E6DF', width: 1.5, dash: [] },
  { day: '#1B3FA0', night: '#8FB0FF', width: 2.5, dash: [] },
  { day: '#B95C92', night: '#E87EB6', width: 2, dash: [8, 4] },
  { day: '#387E23', night: '#93AC47', width: 2, dash: [2, 3] },
  { day: '#8873D5', night: '#7168B3', width: 2, dash: [12, 3, 2, 3] },
  { day: '#46502D', night: '#2F7428', width: 2, dash: [5, 5] },
  { day: '#673374', night: '#8A5D61', width: 2, dash: [14, 4] },
  { day: '#917E68', night: '#F1CD9D', width: 2, dash: [8, 3, 2, 3, 2, 3] }
]
