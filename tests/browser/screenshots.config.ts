import { defineConfig, mergeConfig } from 'vitest/config'
import base from './vitest.config'

const config = mergeConfig(base, defineConfig({}))
config.test!.include = ['tests/browser/screenshots.ts']
export default config
