import { sampleOf } from './sample.js'

sampleOf('content')
