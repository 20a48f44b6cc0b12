/** Judging the fill. */
import { bendOfSheet } from '../../formula/baked'
import { partThickM } from '../../formula/parts'
import { CARRY_ROOM_M, roomWanted } from '../../formula/room'
import type { Facts, Find } from './facts'
import { LEAN_ROOM_DEG } from './limits'

export function judgeShape({ heated, doc, release }: Facts, find: Find): void {
  const { shape } = heated
  if (shape.fillShare > 1)
    find('overflows', 'stop', 'shape', 'assembly.count', { overG: shape.filledG * (1 - 1 / shape.fillShare) })
  else if (shape.headroomM < CARRY_ROOM_M)
    find('headroomLow', 'look', 'shape', 'assembly.count', { mm: 1000 * shape.headroomM })
  else if (shape.headroomM < roomWanted(doc))
    find('springRoom', 'look', 'shape', 'assembly.count', {
      mm: 1000 * shape.headroomM,
      wantMm: 1000 * roomWanted(doc),
    })
  if (release?.word === 'stays') find('wontRelease', 'look', 'shape', 'assembly.vessel.material', { grip: release.grip })
  if (release?.leaks) find('ringLeaks', 'info', 'shape', 'assembly.vessel.kind')
  doc.components.forEach((c, i) => {
    const bend = doc.assembly.built === 'roll' ? bendOfSheet(c, partThickM(doc, c)) : null
    if (bend && bend.word !== 'bends')
      find('rollCracks', bend.word === 'cracks' ? 'look' : 'info', 'shape', `components.${i}.make.kind`, {
        strain: bend.strain, bears: bend.bears, surely: bend.word === 'cracks' ? 1 : 0,
      })
  })
  if (shape.lean && doc.assembly.tiltDeg > shape.lean.mostDeg + LEAN_ROOM_DEG)
    find('spillsLeaning', 'stop', 'shape', 'assembly.tiltDeg', {
      deg: doc.assembly.tiltDeg,
      mostDeg: shape.lean.mostDeg,
    })
}
