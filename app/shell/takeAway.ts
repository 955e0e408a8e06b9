/** Hands CSV to the browser as a file. */
export function saveText(csv: string, name: string): void {
  saveBlob(new Blob(['\uFEFF', csv], { type: 'text/csv;charset=utf-8' }), name)
}

/** Hands a workbook to the browser as a file. */
export function saveXlsx(bytes: Uint8Array, name: string): void {
  saveBlob(new Blob([bytes.slice()], { type: XLSX }), name)
}

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'

/** Hands bytes to the browser as a file. */
export function saveBlob(blob: Blob, name: string): void {
  const address = URL.createObjectURL(blob)
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(address), 1000)
}

/** A series name without what a file name cannot hold. */
export function fileName(name: string): string {
  // eslint-disable-next-line no-control-regex
  const safe = name.replace(/[\\/:*?"<>|\u0000-\u001f]/g, ' ').replace(/\s+/g, ' ')
  return (
    safe
      .replace(/^[.\s]+/, '')
      .trim()
      .slice(0, 80) || 'series'
  )
}
