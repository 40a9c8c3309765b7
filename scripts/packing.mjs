import { spawnSync } from 'node:child_process'
import {
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { isBuiltin } from 'node:module'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { ROOT } from './run.mjs'

const manifestOf = (folder) => JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'))

/** Packages that the built server asks for, by name. */
function askedFor(root) {
  const built = join(root, 'dist/server')
  const code = readdirSync(built)
    .filter((name) => name.endsWith('.js'))
    .map((name) => readFileSync(join(built, name), 'utf8'))
    .join('\n')
  const { dependencies } = manifestOf(root)
  const asked = [...code.matchAll(/["']((?:@[\w.-]+\/)?[\w.-]+)(?:\/[\w./-]+)?["']/g)].map(([, name]) => name)
  return [...new Set(asked)].filter((name) => !isBuiltin(name) && name in dependencies).sort()
}

/** Where a package lies that another one asks for: beside it, or further up. */
function placeOf(name, from, root) {
  for (let folder = from; folder.startsWith(root); folder = dirname(folder)) {
    const place = join(folder, 'node_modules', name)
    if (existsSync(join(place, 'package.json'))) return place
  }
  return undefined
}

/** What of a package nothing reads that runs. */
const IDLE = /[.](map|ts|mts|cts|flow|md|markdown)$|^[/](tests?|docs?|examples?)$/i

/** Copies packages and all that they ask for from a project into a folder, each where it lies; answers how many. */
function copyPackages(names, root, into) {
  const done = new Set()
  const copy = (name, from, must) => {
    const place = placeOf(name, from, root)
    if (!place) {
      if (must) throw new Error(`${name} isn't installed.`)
      return
    }
    if (done.has(place)) return
    done.add(place)
    const inside = join(place, 'node_modules')
    cpSync(place, join(into, place.slice(root.length + 1)), {
      recursive: true,
      filter: (path) => path !== inside && !path.startsWith(`${inside}/`) && !IDLE.test(path.slice(place.length)),
    })
    const { dependencies = {}, optionalDependencies = {} } = manifestOf(place)
    for (const needed of Object.keys(dependencies)) copy(needed, place, !(needed in optionalDependencies))
    for (const perhaps of Object.keys(optionalDependencies)) copy(perhaps, place, false)
  }
  for (const name of names) copy(name, root, true)
  return done.size
}

const does = (command, args, cwd) => {
  const { status, stdout, stderr, error } = spawnSync(command, args, { cwd, encoding: 'utf8' })
  if (status !== 0) throw new Error(`${command} ${args.join(' ')}: ${error?.message ?? stderr}`)
  return stdout
}

/** Puts the built program of a project and the packages that it runs with into a folder. Answers its version and how many packages. */
export function stage(root, into, version) {
  const { description, engines, license } = manifestOf(root)
  const names = askedFor(root)
  mkdirSync(join(into, 'bin'), { recursive: true })
  // the launcher belongs to how it is packed, whatever version is packed
  cpSync(join(ROOT, 'packaging/juvant.mjs'), join(into, 'bin/juvant.mjs'))
  chmodSync(join(into, 'bin/juvant.mjs'), 0o755)
  for (const part of ['dist', 'server/db/migrations', 'README.md', 'CHANGELOG.md'])
    cpSync(join(root, part), join(into, part), { recursive: true })
  const packages = copyPackages(names, root, into)
  const dependencies = Object.fromEntries(
    names.map((name) => [name, manifestOf(join(into, 'node_modules', name)).version]),
  )
  writeFileSync(
    join(into, 'package.json'),
    JSON.stringify(
      {
        name: 'juvant',
        version,
        description,
        license,
        type: 'module',
        bin: { juvant: 'bin/juvant.mjs' },
        engines,
        files: ['bin', 'dist', 'server', 'CHANGELOG.md'],
        dependencies,
        bundleDependencies: names,
      },
      null,
      2,
    ),
  )
  return packages
}

/**
 * Makes one archive of a project that is built: the program with the packages that it runs with, and nothing that builds
 * or tests it. It is unpacked anywhere and started by `node package/bin/juvant.mjs`, or installed by `npm install -g`.
 * Answers where it lies, its size in bytes, how many packages are in it.
 */
export function pack({ root = ROOT, into = join(ROOT, 'release'), version = manifestOf(root).version } = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'juvant-pack-'))
  try {
    const packages = stage(root, folder, version)
    mkdirSync(into, { recursive: true })
    does('npm', ['pack', '--pack-destination', into, '--loglevel', 'error'], folder)
    const path = join(into, `juvant-${version}.tgz`)
    return { path, bytes: statSync(path).size, packages, version }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

const SCRIPTS = ['postinst', 'prerm', 'postrm']

/**
 * Makes a Debian package of a project that is built: the program below /usr/lib/juvant, a service of a user of its own whose
 * data lies in /var/lib/juvant. Answers where it lies and its size in bytes.
 */
export function packDebian({ root = ROOT, into = join(ROOT, 'release'), version = manifestOf(root).version } = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'juvant-deb-'))
  const from = join(ROOT, 'packaging/debian')
  try {
    const program = join(folder, 'usr/lib/juvant')
    mkdirSync(program, { recursive: true })
    stage(root, program, version)
    for (const place of ['usr/bin', 'lib/systemd/system', 'etc/default', 'DEBIAN'])
      mkdirSync(join(folder, place), { recursive: true })
    writeFileSync(join(folder, 'usr/bin/juvant'), '#!/bin/sh\nexec node /usr/lib/juvant/bin/juvant.mjs "$@"\n')
    cpSync(join(from, 'juvant.service'), join(folder, 'lib/systemd/system/juvant.service'))
    cpSync(join(from, 'default'), join(folder, 'etc/default/juvant'))
    writeFileSync(join(folder, 'DEBIAN/conffiles'), '/etc/default/juvant\n')
    for (const script of SCRIPTS) cpSync(join(from, script), join(folder, 'DEBIAN', script))
    const kB = Math.ceil(Number(does('du', ['-sk', folder]).split('\t')[0]))
    const control = [
      'Package: juvant',
      `Version: ${version}`,
      'Architecture: all',
      'Maintainer: Juvant <juvant@localhost>',
      'Section: misc',
      'Priority: optional',
      `Installed-Size: ${kB}`,
      'Recommends: nodejs (>= 20.19)',
      'Description: the wash day of a dog groomer who works from home',
      ' Plans each dog’s wash, arranges the day, guides the work at the tub, keeps the record.',
    ]
    writeFileSync(join(folder, 'DEBIAN/control'), `${control.join('\n')}\n`)
    does('chmod', ['-R', 'u=rwX,go=rX', folder])
    for (const path of ['usr/bin/juvant', 'usr/lib/juvant/bin/juvant.mjs', ...SCRIPTS.map((s) => `DEBIAN/${s}`)])
      chmodSync(join(folder, path), 0o755)
    mkdirSync(into, { recursive: true })
    const path = join(into, `juvant_${version}_all.deb`)
    const begun = `${path}.begun`
    does('dpkg-deb', ['--root-owner-group', '--build', folder, begun])
    renameSync(begun, path)
    return { path, bytes: statSync(path).size, version }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
