import { afterEach, describe, expect, it } from 'vitest'
import { forget, remember } from '~/storage/browserStorage'
import { rememberChoices, rememberedChoices, rememberedSets, rememberSets } from './choices'

afterEach(() => ['elvant.picture', 'elvant.pictureSets'].forEach(forget))

describe('choices of pictures', () => {
  it('are as they were left', () => {
    const own = { ...rememberedChoices(), width: 21, legend: 'right' } as const
    rememberChoices(own)
    expect(rememberedChoices()).toEqual(own)
    rememberSets([{ name: 'Board', choices: own }])
    expect(rememberedSets()).toEqual([{ name: 'Board', choices: own }])
  })

  it('are as usual where what is kept is none, or of an older version', () => {
    const usual = rememberedChoices()
    for (const kept of ['', 'null', '7', '[]', '{"width":"wide","legend":"below"}']) {
      remember('elvant.picture', kept)
      expect(rememberedChoices()).toEqual(usual)
      remember('elvant.pictureSets', kept)
      expect(rememberedSets()).toEqual([])
    }
    remember('elvant.picture', '{"width":9,"isBlack":true}')
    expect(rememberedChoices()).toEqual({ ...usual, width: 9, isBlack: true })
    remember('elvant.pictureSets', '[null,{"name":"A"},{"choices":{}}]')
    expect(rememberedSets()).toEqual([{ name: 'A', choices: usual }])
  })
})
