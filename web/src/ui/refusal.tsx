import { Text } from '@chakra-ui/react'
import { createContext, useCallback, useContext, useLayoutEffect, useMemo, useState } from 'react'
import { Problem } from '../api/client'

/** Runs what may be refused; keeps the refusal to be shown beside its field. */
export function useProblem() {
  const [problem, setProblem] = useState<Problem | null>(null)
  const run = useCallback(async <T,>(work: () => Promise<T>): Promise<T | undefined> => {
    try {
      const result = await work()
      setProblem(null)
      return result
    } catch (error) {
      if (!(error instanceof Problem)) throw error
      setProblem(error)
      return undefined
    }
  }, [])
  return { problem, run, clear: () => setProblem(null) }
}

/** The names under which the server speaks of a field. */
export type FieldName = string | string[]

interface Told {
  problem: Problem | null
  claim: (names: string[]) => () => void
  claimed: string[][]
}

const Told = createContext<Told>({ problem: null, claim: () => () => {}, claimed: [] })

const speaksOf = (problem: Problem, names: string[]) =>
  names.some((name) => problem.field === name || problem.field.startsWith(`${name}[`))

/** What is inside shows the refusal where it belongs: a field its own, the last word whatever no field has shown. */
export function Refused({ problem, children }: { problem: Problem | null; children: React.ReactNode }) {
  const [claimed, setClaimed] = useState<string[][]>([])
  const claim = useCallback((names: string[]) => {
    setClaimed((old) => [...old, names])
    return () => setClaimed((old) => old.filter((one) => one !== names))
  }, [])
  const told = useMemo(() => ({ problem, claim, claimed }), [problem, claim, claimed])
  return <Told.Provider value={told}>{children}</Told.Provider>
}

/** The refusal that is about this field, or null; from now on nobody else shows it. */
export function useRefused(field?: FieldName) {
  const { problem, claim } = useContext(Told)
  const names = ([] as string[]).concat(field ?? [])
  const key = names.join(' ')
  useLayoutEffect(() => (key ? claim(key.split(' ')) : undefined), [claim, key])
  return problem && speaksOf(problem, names) ? problem.message : null
}

/** The words of a refusal. */
export function Words({ children }: { children: React.ReactNode }) {
  return (
    <Text role="alert" color="wrong" fontSize="0.95em" fontWeight={600} mt="1">
      {children}
    </Text>
  )
}

/** The last word of a form: whatever no field has shown. With a refusal of its own: that one. */
export function Refusal({ problem: own }: { problem?: Problem | null }) {
  const { problem, claimed } = useContext(Told)
  if (own !== undefined) return own && <Words>{own.message}</Words>
  if (!problem || claimed.some((names) => speaksOf(problem, names))) return null
  return <Words>{problem.message}</Words>
}

/** The refusal of fields that stand side by side, under them. */
export function RefusalOf({ field }: { field: FieldName }) {
  const told = useRefused(field)
  return told && <Words>{told}</Words>
}
