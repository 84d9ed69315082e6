import type { Package } from '../../common/server/packages.js'

/** What may be done in a forum. */
export const actions = ['see', 'read', 'start', 'reply', 'edit', 'remove', 'pin', 'notice', 'vote'] as const
export type Action = (typeof actions)[number]
/** Who may: visitors, members, moderators, administrators, or the number of a group. */
export type Who = 'everyone' | 'members' | 'moderators' | 'administrators' | `group ${number}`

export interface Group {
  id: number
  name: string
  description: string
}
export interface Category {
  id: number
  title: string
  description: string
}
export interface Forum extends Category {
  category: number
  locked: boolean
  /** 0: never. */
  removeOldAfter: number
  /** Everybody who may, one by one: nobody is included by another. */
  may: Record<Action, Who[]>
}
export interface Post {
  id: number
  by: number
  text: string
  made: string
  edited: string
}
export interface Topic {
  id: number
  forum: number
  title: string
  by: number
  made: string
  edited: string
  posts: Post[]
}
export interface Account {
  id: number
  username: string
  shown: string
  email: string
  password: string
  made: string
  role: 'member' | 'moderator' | 'administrator'
  groups: number[]
  /** A key that has to be said back by mail, or `staff`; signing in waits for it. */
  waits?: string
  /** Wrong passwords in a row, and until when it is locked. */
  wrong: number
  lockedUntil: number
  lastPost: number
}

export interface Settings {
  title: string
  description: string
  language: string
  timezone: string
  searchEngines: boolean
  open: boolean
  notice: string
  mailFrom: string
  mailName: string
  mailServer: string
  mailSignature: string
  joinOpen: boolean
  approval: 'none' | 'email' | 'staff'
  question: string
  answers: string[]
  attempts: number
  lockMinutes: number
  staySignedIn: boolean
  waitSeconds: number
  perHour: number
  postsPerPage: number
  topicsPerPage: number
  busyFrom: number
  polls: boolean
  pollChoices: number
  privateMessages: boolean
  mailEachOther: boolean
  chooseTheme: boolean
  signatures: boolean
  signatureLength: number
  pictures: boolean
  pictureKilobytes: number
  picturePixels: string
}

export interface Board {
  version: string
  settings: Settings
  groups: Group[]
  categories: Category[]
  forums: Forum[]
  topics: Topic[]
  accounts: Account[]
  themes: Package[]
  addOns: Package[]
  /**
   * A fault that forums have: when somebody joins a group, other members share its rights until a form of access is saved.
   * The groups whose rights are shared just now.
   */
  shared: Set<number>
  next: number
}

export const languages = ['en', 'de', 'fr', 'ja'] as const

export const emptyBoard = (version: string): Board => ({
  version,
  settings: {
    title: '',
    description: '',
    language: 'en',
    timezone: 'UTC',
    searchEngines: true,
    open: true,
    notice: '',
    mailFrom: '',
    mailName: '',
    mailServer: '',
    mailSignature: '',
    joinOpen: true,
    approval: 'none',
    question: '',
    answers: [],
    attempts: 20,
    lockMinutes: 5,
    staySignedIn: false,
    waitSeconds: 0,
    perHour: 0,
    postsPerPage: 10,
    topicsPerPage: 25,
    busyFrom: 50,
    polls: true,
    pollChoices: 4,
    privateMessages: false,
    mailEachOther: true,
    chooseTheme: true,
    signatures: true,
    signatureLength: 500,
    pictures: false,
    pictureKilobytes: 50,
    picturePixels: '100x100',
  },
  groups: [],
  categories: [],
  forums: [],
  topics: [],
  accounts: [],
  themes: [],
  addOns: [],
  shared: new Set(),
  next: 100,
})
