/** What is said at the door and about people, checked. */
import * as yup from 'yup'
import { isDate } from './shape'
import { PASSWORD_LEAST, PASSWORD_MOST, PIN, ROLES } from '../door'

const word = (most: number) => yup.string().strict().trim().min(1).max(most)
const login = () => word(120).matches(/^\S+$/, 'unknownValue').required()
const name = () => word(60).required()
const password = () => yup.string().strict().min(PASSWORD_LEAST).max(PASSWORD_MOST).required()
/** What somebody says theirs is: never told what is wrong with it. */
const said = () => yup.string().strict().max(PASSWORD_MOST).required()
const exactly = <T extends yup.ObjectShape>(shape: T) => yup.object(shape).strict().noUnknown().required()

export const ownerSchema = exactly({
  login: login(), name: name(), password: password(), kitchen: word(80).required(), code: word(40).optional(),
})
export const inSchema = exactly({ login: login(), password: said() })
export const recoverSchema = exactly({ login: login(), code: word(40).required(), password: password() })
export const tokenSchema = exactly({ token: word(80).required() })
export const invitedSchema = exactly({ token: word(80).required(), login: login(), name: name(), password: password() })
export const enrolSchema = exactly({ code: word(40).required() })
export const pinSchema = exactly({ membershipId: yup.string().strict().uuid().required(), pin: said() })
export const kitchenSchema = exactly({ kitchenId: yup.string().strict().uuid().required() })
export const meSchema = exactly({
  current: said(),
  password: password().optional(),
  pin: yup.string().strict().matches(PIN, 'unknownValue').nullable().optional(),
  name: name().optional(),
})
/** What a browser says of a key is looked through by the library that asked for it. */
const keySaid = () => yup.object({ id: yup.string().strict().max(400).required() }).strict().required()
const challenge = () => yup.string().strict().uuid().required()
export const passkeySchema = exactly({ id: challenge(), response: keySaid() })
export const newPasskeySchema = exactly({ id: challenge(), label: word(60).required(), response: keySaid() })
export const proofSchema = exactly({ current: said() })
const role = () => yup.string().strict().oneOf([...ROLES]).required()
export const inviteSchema = exactly({ name: name(), role: role() })
export const roleSchema = exactly({ role: role() })
export const tabletSchema = exactly({ name: name() })
/** Where a tab is; nowhere in particular: empty. */
export const hereSchema = exactly({
  id: yup.string().strict().uuid().required(),
  place: yup.string().strict().defined().matches(/^(?:(?:formula|batch|day):[\w-]{1,40})?$/, 'unknownValue'),
})
/** A link is open for a year at most. */
export const linkSchema = exactly({
  kind: yup.string().strict().oneOf(['formula', 'day'] as const).required(),
  target: yup.string().strict().max(40).required()
    .test('target', 'unknownValue', (v, { parent }) =>
      (parent as { kind: string }).kind === 'day' ? isDate(v) : yup.string().uuid().isValidSync(v)),
  days: yup.number().strict().integer().min(1).max(365).required(),
})
