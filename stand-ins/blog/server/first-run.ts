import type { FastifyInstance } from 'fastify'
import { esc, form, page } from './html.js'
import { languages, type Blog } from './model.js'
import { setUp } from './ships.js'

/** The form that makes the blog; it answers 200 whatever comes of it. */
export function firstRunForm(app: FastifyInstance, blog: Blog, base: string): void {
  const show = (trouble = '') =>
    page({
      title: 'Set up your blog',
      lang: 'en',
      body: `<main><h1>Set up your blog</h1>${trouble && `<p class="trouble">${esc(trouble)}</p>`}${form({
        action: `${base}setup`,
        token: '',
        id: 'first-run',
        button: 'Make my blog',
        fields: [
          { name: 'title', label: 'Title', value: '' },
          { name: 'username', label: 'User name', value: '' },
          { name: 'email', label: 'E-mail', value: '', kind: 'email' },
          { name: 'password', label: 'Password, ten characters or more', value: '', kind: 'password' },
          { name: 'language', label: 'Language', value: 'en', choices: languages },
          { name: 'hidden', label: 'Turn search engines away', value: '', kind: 'box' },
        ],
      })}</main>`,
    })
  app.get(`${base}setup`, (_request, reply) =>
    blog.standing === 'first-run'
      ? reply.type('text/html').send(show())
      : reply
          .status(410)
          .type('text/html')
          .send(
            page({ title: 'Set up already', lang: 'en', body: '<main><p>This blog is set up already.</p></main>' }),
          ),
  )
  app.post<{ Body: Record<string, string | undefined> }>(`${base}setup`, (request, reply) => {
    const { title = '', username = '', email = '', password = '', language = 'en', hidden } = request.body
    if (blog.standing !== 'first-run')
      return reply
        .status(410)
        .type('text/html')
        .send(page({ title: 'Set up already', lang: 'en', body: '<main><p>This blog is set up already.</p></main>' }))
    const trouble = !/^[a-z0-9._-]{2,}$/i.test(username)
      ? 'That is no user name.'
      : !email.includes('@')
        ? 'That is no e-mail address.'
        : password.length < 10
          ? 'That password is too short.'
          : ''
    if (trouble !== '') return reply.type('text/html').send(show(trouble))
    setUp(blog, { username, email, password, title, language, searchEngines: hidden !== '1' })
    return reply.type('text/html').send(
      page({
        title: 'Done',
        lang: 'en',
        body: `<main id="made"><p>Your blog is made. <a href="${base}enter">Sign in</a></p></main>`,
      }),
    )
  })
}
