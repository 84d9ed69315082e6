import { sampleOf } from './sample.js'

sampleOf('shop')
