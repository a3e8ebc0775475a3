import { PORTRAIT } from './useLook'
import type { NamedPose } from './Portraits'
import { SIMULATION } from '@/words'

/** Room for the words under the pictures, pixels. */
const FOOT = 56

/** Saves what the Look shows as a picture, with what it is. */
export function savePicture(poses: readonly NamedPose[], planName: string): void {
  const sheet = document.createElement('canvas')
  sheet.width = poses.length * PORTRAIT.width
  sheet.height = PORTRAIT.height + FOOT
  const pen = sheet.getContext('2d')!
  pen.fillStyle = 'white'
  pen.fillRect(0, 0, sheet.width, sheet.height)
  pen.fillStyle = 'black'
  pen.font = '16px sans-serif'
  poses.forEach(({ name }, i) => {
    const own = document.querySelector<HTMLCanvasElement>(`[data-portrait="${i === 0 ? 'main' : 'beside'}"]`)
    if (own) pen.drawImage(own, i * PORTRAIT.width, 0, PORTRAIT.width, PORTRAIT.height)
    pen.fillText(name, i * PORTRAIT.width + 12, PORTRAIT.height + 22)
  })
  pen.font = '12px sans-serif'
  pen.fillText(`${planName}. ${SIMULATION}`, 12, PORTRAIT.height + 44)
  sheet.toBlob((blob) => {
    if (!blob) return
    const link = document.createElement('a')
    link.href = URL.createObjectURL(blob)
    link.download = `${planName}, look.png`
    link.click()
    URL.revokeObjectURL(link.href)
  })
}
