const words: Readonly<Record<string, string>> = {
  EACCES: 'it is not yours to write or read there',
  EPERM: 'it is not yours to write or read there',
  EROFS: 'the disk can only be read',
  ENOSPC: 'the disk is full',
  EDQUOT: 'there is no room left for you on the disk',
  ENOTDIR: 'a part of its path is a file, not a folder',
  EISDIR: 'a folder stands there',
  ENOENT: 'there is no such file or folder',
  EEXIST: 'a file of that name stands there',
  ELOOP: 'links lead in a circle',
  ENAMETOOLONG: 'the name is too long',
  EMFILE: 'too many files are open',
  EBUSY: 'another program holds it',
}

/** Why the machine did not do something with a file, in an owner's words. */
export const whyNot = (error: unknown): string | undefined =>
  words[(error as { code?: string } | undefined)?.code ?? '']
