import { useState } from 'react'
import { Press } from '../widgets/Press'
import { createForm, forgotForm, signInForm } from './forms'
import { EntryField, EntryForm } from './EntryForm'
import { PaperPage } from './PaperPage'

const address = <EntryField label="E-mail address" name="email" type="email" autoComplete="username" />

/** Sign in, make an account, or ask for a new password. */
export function SignIn({ elsewhere }: { elsewhere: string | null }) {
  return (
    <PaperPage
      title="Sign in"
      lead="What stands on the Shelf of this browser goes to your account, and is there wherever you sign in."
    >
      <div className="paper-two">
        <section aria-labelledby="with-account">
          <h2 id="with-account">With an account</h2>
          <WithAccount />
          {elsewhere !== null && (
            <p>
              <a href="/sign-in/elsewhere" className="textlink">
                {elsewhere}
              </a>
            </p>
          )}
        </section>
        <section aria-labelledby="new-account">
          <h2 id="new-account">A new account</h2>
          <EntryForm intent="create" schema={createForm} send="Make an account">
            <EntryField label="Your name, as others see it" name="name" autoComplete="name" />
            <EntryField label="E-mail address" name="email" type="email" autoComplete="username" />
            <EntryField
              label="Password"
              name="password"
              type="password"
              autoComplete="new-password"
              hint="At least ten characters; a few words are easy to keep in mind."
            />
          </EntryForm>
        </section>
      </div>
    </PaperPage>
  )
}

/** Signing in by address and password; the address alone where the password is forgotten. */
function WithAccount() {
  const [forgotten, setForgotten] = useState(false)
  const other = (
    <Press className="textlink" onClick={() => setForgotten(!forgotten)}>
      {forgotten ? 'Back' : 'Password forgotten'}
    </Press>
  )
  if (forgotten)
    return (
      <EntryForm key="forgot" intent="forgot" schema={forgotForm} send="Send a link" beside={other}>
        {address}
      </EntryForm>
    )
  return (
    <EntryForm key="sign-in" intent="sign-in" schema={signInForm} send="Sign in" beside={other}>
      {address}
      <EntryField label="Password" name="password" type="password" autoComplete="current-password" />
    </EntryForm>
  )
}
