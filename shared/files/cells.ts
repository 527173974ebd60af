/**
 * The cells of a line that a hand typed or pasted. Between two digits a comma is a decimal point where another mark parts the
 * cells; where none does, it parts them itself.
 *
 * @example cellsOf('25,5; 1020') // ['25.5', '1020']
 * @example cellsOf('25,1020') // ['25', '1020']
 */
export function cellsOf(line: string): string[] {
  const plain = line.trim()
  return (/[;\s]/.test(plain) ? plain.replace(/(\d),(\d)/g, '$1.$2') : plain).split(/[\s;,]+/).filter(Boolean)
}

const NUMBER = String.raw`[-+]?(\d+(\.\d*)?|\.\d+)`
const [TYPED, WRITTEN] = [new RegExp(`^${NUMBER}$`), new RegExp(`^${NUMBER}(e[-+]?\\d+)?$`, 'i')]
const read = (cell: string, form: RegExp) => form.test(cell.trim().replace(',', '.')) ? Number(cell.trim().replace(',', '.')) : Number.NaN

/** A number that a hand typed, its decimals after a point or a comma; NaN for what is none, and for a cell with nothing in it. */
export const numberTyped = (cell: string): number => read(cell, TYPED)

/** A number out of a file, which a program may have written with a power of ten. */
export const numberInFile = (cell: string): number => read(cell, WRITTEN)

/** What a file says by yes or no; undefined for what is neither. */
export const yesOrNo = (cell: string): boolean | undefined => /^(yes|true|1)$/i.test(cell) ? true : /^(no|false|0)$/i.test(cell) ? false : undefined
