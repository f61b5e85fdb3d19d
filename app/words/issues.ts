import { type BackupIssue, MAX_BACKUP_BYTES } from '#core/formats'

/** One sentence on what was wrong, one on what was kept and what to do. */
export function backupIssueText(issue: BackupIssue): string {
  return `${what(issue)} Nothing was changed.`
}

function what(issue: BackupIssue): string {
  switch (issue.kind) {
    case 'tooLarge':
      return (
        `The file is ${Math.round(issue.bytes / 1e6)} MB; a backup has at most ${MAX_BACKUP_BYTES / 1e6} MB. ` +
        `Choose the backup file itself.`
      )
    case 'notJson':
      return (
        'The file is cut short or no backup: it cannot be read as JSON. Fetch the file again, or take an ' +
        'older backup.'
      )
    case 'notABackup':
      return 'The file is JSON, but not a backup made by Ulkin. Choose a file named ulkin-….json.'
    case 'newerVersion':
      return (
        `The file comes from a newer Ulkin (version ${issue.version} of the format). Update this one, then ` +
        `import again.`
      )
    case 'badVersion':
      return `The file names a version that does not exist (${issue.version}). Take another copy of the backup.`
    case 'wrongShape':
      return (
        `The file has ${issue.count === 1 ? 'a fault' : `${issue.count} faults`}; the first is at ` +
        `${issue.path}: ${issue.detail}. Take another copy of the backup.`
      )
    case 'otherRoom':
      return `The file mixes rooms: ${issue.path} points at a record of another room. Take another copy of the backup.`
    case 'danglingReference':
      return (
        `The file is not whole: ${issue.path} points at a record that is not in it. Take another copy of ` +
        `the backup.`
      )
  }
}

/** Where the look into a backup file stands. */
export const lookStepText = (step: 'reading' | 'checking' | 'comparing') =>
  ({
    reading: 'Step 1 of 3: reading the file …',
    checking: 'Step 2 of 3: checking every record in it …',
    comparing: 'Step 3 of 3: comparing it with what is here …',
  })[step]
