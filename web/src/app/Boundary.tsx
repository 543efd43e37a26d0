import { Flex, Text } from '@chakra-ui/react'
import { Component } from 'react'
import { Page } from '../ui/Page'
import { Press } from '../ui/Press'

interface Props {
  /** What it takes to try again. */
  again: () => void
  children: React.ReactNode
}

/** Round every view: what cannot be shown says so, keeps the rest of the program, and offers a way back. */
export class Boundary extends Component<Props, { error: unknown }> {
  override state: { error: unknown } = { error: null }

  static getDerivedStateFromError(error: unknown) {
    return { error: error ?? new Error('unknown') }
  }

  private readonly again = () => {
    this.props.again()
    this.setState({ error: null })
  }

  override render() {
    if (this.state.error === null) return this.props.children
    return (
      <Page title="This page cannot be shown just now">
        <Text role="alert" maxW="64ch" mb="4">
          {wordsOf(this.state.error)}
        </Text>
        <Flex gap="4" align="center">
          <Press look="strong" onClick={this.again}>
            Try again
          </Press>
          {/* A plain link: it begins the page anew, whatever has gone wrong in it. */}
          <a href="/">To today&rsquo;s plan</a>
        </Flex>
      </Page>
    )
  }
}

/** Refusals of the program speak for themselves; the rest is either the program being away or a fault of this page. */
function wordsOf(error: unknown) {
  const { detail, message = '' } = error as { detail?: string; message?: string }
  if (detail) return detail
  return /fetch|import|load|network/i.test(message)
    ? 'The program does not answer, so this part could not be loaded. Start it again with ./run; everything that was saved is still there.'
    : 'Something went wrong on this page. Nothing that was saved is lost; try again, or go back to today.'
}
