import { describe, expect, it } from 'vitest'
import { pictureOf, received, sent, type HeldPicture } from '.'
import { largeYard } from '../../tests/largeYard'
import { build } from '../../tests/sites'
import { moveOf } from '../moves'

const FRAME = { framePx: 900, heightPx: 300 }
/** What another thread gets: a copy of its own. */
const posted = <Value>(value: Value): Value => structuredClone(value)

describe('a picture sent from one thread to another', () => {
  it('comes out as it was made, through edits, things added and things taken away', () => {
    const first = largeYard(12, 8)
    const tank = first.nodes.find(node => node.kind === 'tank')!.id
    const named = build(first, moveOf('set', { of: 'node', id: tank, field: 'name', value: 'West tank' }))
    const more = build(named, moveOf('addTank', { kind: 'tote', how: 'alone' }))
    let [here, there]: (HeldPicture | undefined)[] = []
    for (const site of [first, named, more, named, first]) {
      const picture = pictureOf(site, FRAME)
      const [post, kept] = sent(picture, here)
      const [arrived, holds] = received(posted(post), site, there)
      ;[here, there] = [kept, holds]
      expect(arrived.labels).toEqual(picture.labels)
      expect({ ...arrived.drawing, scale: 0 }).toEqual({ ...picture.drawing, scale: 0 })
      expect(arrived.drawing.scale.y(1.7)).toBe(picture.drawing.scale.y(1.7))
    }
  })
  it('is little where little has changed, and what has not stays the same thing', () => {
    const site = largeYard(12, 8)
    const tap = site.nodes.findLast(node => node.kind === 'tap')!.id
    const before = sent(pictureOf(site, FRAME))
    const [, held] = received(posted(before[0]), site)
    const higher = build(site, moveOf('set', { of: 'node', id: tap, field: 'baseM', value: 0.9 }))
    const [post] = sent(pictureOf(higher, FRAME), before[1])
    expect(post.lists.slots.at.length).toBeLessThan(4)
    const [, now] = received(posted(post), higher, held)
    expect(now.slots[0]).toBe(held.slots[0])
    expect(JSON.stringify(post).length).toBeLessThan(JSON.stringify(before[0]).length / 3)
  })
})
