'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import { Link } from '../link'
import { useRouter } from 'next/navigation'
import { MESSAGE_KINDS, MESSAGE_LETTERS, type MessageKind } from '@/core/record/upkeep'
import type { Outbox, WrittenMessage } from '@/core/record/visit'
import { MessageTemplateDto } from '@/dto'
import { TextEntry, useEntryForm } from '../forms'
import { callApi, failureWords } from '../hooks/api'
import { useNotice } from '../notices'
import { SaveButton } from '../parts'
import { LINE } from '../theme'
import { dateInWords } from '../words'
import { LogBar } from './LogBar'
import { MESSAGE_NAMES } from './words'

/** What was written to clients, to be sent by one's own means, and the salon's own words. */
export function OutboxPage({ outbox: { messages, templates }, mayWrite }: { outbox: Outbox; mayWrite: boolean }) {
  return (
    <Box>
      <LogBar here="/log/outbox" />
      <Box sx={{ maxWidth: 900, mx: 'auto', p: { xs: 1.5, md: 3 }, display: 'grid', gap: 3 }}>
        <Typography color="textSecondary">
          Nothing leaves this machine by itself. Copy a message into whatever you write with, and say here that it went
          out.
        </Typography>
        <Box component="section" aria-label="Messages">
          <Typography variant="h2" sx={{ mb: 1 }}>
            Messages
          </Typography>
          <Paper variant="outlined">
            {messages.length === 0 && (
              <Typography sx={{ p: 3 }} color="textSecondary">
                None yet. <Link href="/log/due">Who is due</Link> has a button to write to each.
              </Typography>
            )}
            {messages.map((message) => (
              <Written key={message.id} message={message} mayWrite={mayWrite} />
            ))}
          </Paper>
        </Box>
        {mayWrite && (
          <Box component="section" aria-label="Your words">
            <Typography variant="h2" sx={{ mb: 1 }}>
              Your words
            </Typography>
            <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
              In braces stands what is put in: {'{name}, {salon}, {last}, {from} and {to}'}.
            </Typography>
            <Box sx={{ display: 'grid', gap: 2 }}>
              {MESSAGE_KINDS.map((kind) => (
                <Template key={kind} kind={kind} text={templates[kind]} />
              ))}
            </Box>
          </Box>
        )}
      </Box>
    </Box>
  )
}

function Written({
  message: { id, client, kind, text, by, at, sentAt },
  mayWrite,
}: {
  message: WrittenMessage
  mayWrite: boolean
}) {
  const router = useRouter()
  const notice = useNotice()
  async function attempt(method: string, body?: object) {
    try {
      await callApi(`/api/messages/${id}`, method, body)
      router.refresh()
    } catch (error) {
      notice(failureWords(error))
    }
  }
  async function copy() {
    try {
      await navigator.clipboard.writeText(text)
      notice('Copied.')
    } catch {
      notice('This device does not let pages copy. Mark the words and copy them by hand.')
    }
  }
  return (
    <Box sx={{ px: 2, py: 1.25, '& + &': { borderTop: LINE } }}>
      <Typography variant="body2" color="textSecondary">
        <Link href={`/people/${client.id}`} style={{ color: 'inherit' }}>
          {client.name}
        </Link>
        , {MESSAGE_NAMES[kind]}, {dateInWords(at)}, {by}
        {sentAt ? ` · went out ${dateInWords(sentAt)}` : ' · waits'}
      </Typography>
      <Typography sx={{ whiteSpace: 'pre-wrap' }}>{text}</Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button color="inherit" size="small" onClick={() => void copy()}>
          Copy
        </Button>
        {mayWrite && (
          <>
            <Button color="inherit" size="small" onClick={() => void attempt('PATCH', { sent: sentAt === null })}>
              {sentAt ? 'It did not go out' : 'It went out'}
            </Button>
            {!sentAt && (
              <Button color="inherit" size="small" onClick={() => void attempt('DELETE')}>
                Discard
              </Button>
            )}
          </>
        )}
      </Box>
    </Box>
  )
}

function Template({ kind, text }: { kind: MessageKind; text: string }) {
  const notice = useNotice()
  const form = useEntryForm(MessageTemplateDto, {
    start: { kind, text },
    send: async (entry) => {
      await callApi('/api/messages/templates', 'PUT', entry)
      notice(`Kept: ${MESSAGE_NAMES[kind]}.`)
    },
  })
  return (
    <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: { sm: '1fr auto' }, alignItems: 'center' }}>
      {form.refused && (
        <Alert severity="error" sx={{ gridColumn: '1 / -1' }}>
          {form.refused}
        </Alert>
      )}
      <TextEntry
        control={form.control}
        name="text"
        label={MESSAGE_NAMES[kind]}
        longest={MESSAGE_LETTERS}
        multiline
        minRows={2}
      />
      <SaveButton onSave={form.save} busy={form.busy}>
        Keep
      </SaveButton>
    </Box>
  )
}
