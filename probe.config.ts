import c from './playwright.config'
export default { ...c, testDir: '.', projects: [{ name: 'p', testMatch: 'probe.spec.ts' }], reporter: [['list']] }
