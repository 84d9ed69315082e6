import { sampleOf } from './sample.js'

sampleOf('blog')
