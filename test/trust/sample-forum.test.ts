import { sampleOf } from './sample.js'

sampleOf('forum')
