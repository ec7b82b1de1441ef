import { readFileSync } from 'node:fs'
import { readJson } from '../helpers/demo'

interface Manifest {
  dependencies: Record<string, string>
  devDependencies: Record<string, string>
}

describe('the tool chain', () => {
  const { dependencies, devDependencies } = readJson<Manifest>('package.json')
  const asked = Object.entries({ ...dependencies, ...devDependencies })

  it('names each package by one version: a newer one may want a newer Node', () => {
    expect(asked.length).toBeGreaterThan(50)
    expect(asked.filter(([, version]) => !/^\d+\.\d+\.\d+$/.test(version))).toEqual([])
  })

  it('is installed in those versions', () => {
    const { packages } = readJson<{ packages: Record<string, { version: string }> }>('package-lock.json')
    const other = asked.filter(([name, version]) => packages[`node_modules/${name}`]?.version !== version)
    expect(other).toEqual([])
  })

  it('refuses a package that does not run on this Node', () => {
    expect(readFileSync('.npmrc', 'utf8')).toMatch(/^engine-strict=true$/m)
  })
})
