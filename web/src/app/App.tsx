import { Text } from '@chakra-ui/react'
import { lazy, Suspense } from 'react'
import { Navigate, Outlet, Route, Routes } from 'react-router'
import { api } from '../api/client'
import { Page } from '../ui/fields'
import { Header } from './Header'

const named = <T extends Record<K, React.ComponentType>, K extends string>(load: () => Promise<T>, name: K) =>
  lazy(async () => ({ default: (await load())[name] as React.ComponentType }))

const TodayPage = named(() => import('../features/planning/TodayPage'), 'TodayPage')
const RoutinesPage = named(() => import('../features/planning/RoutinesPage'), 'RoutinesPage')
const WarmUpsPage = named(() => import('../features/warmup/WarmUpsPage'), 'WarmUpsPage')
const BalancePage = named(() => import('../features/planning/BalancePage'), 'BalancePage')
const ExercisesPage = named(() => import('../features/technique/ExercisesPage'), 'ExercisesPage')
const GoalsPage = named(() => import('../features/planning/GoalsPage'), 'GoalsPage')
const MethodsPage = named(() => import('../features/planning/MethodsPage'), 'MethodsPage')
const InstrumentPage = named(() => import('../features/planning/InstrumentPage'), 'InstrumentPage')
const PiecePage = named(() => import('../features/repertoire/PiecePage'), 'PiecePage')
const SlowReadingPage = named(() => import('../features/repertoire/SlowReadingPage'), 'SlowReadingPage')
const SheetPage = named(() => import('../features/technique/SheetPage'), 'SheetPage')
const KeysPage = named(() => import('../features/technique/KeysPage'), 'KeysPage')
const TempoPage = named(() => import('../features/technique/TempoPage'), 'TempoPage')
const SoundPage = named(() => import('../features/sound/SoundPage'), 'SoundPage')
const FirstVisitPage = named(() => import('../features/planning/FirstVisitPage'), 'FirstVisitPage')
const MaterialPage = named(() => import('../features/material/MaterialPage'), 'MaterialPage')
const StagePage = named(() => import('../features/practice/StagePage'), 'StagePage')
const ClosePage = named(() => import('../features/practice/ClosePage'), 'ClosePage')
const JournalPage = named(() => import('../features/progress/JournalPage'), 'JournalPage')

export function App() {
  const about = api.useQuery('get', '/api/about')
  if (about.isError)
    return (
      <Page title="The program does not answer">
        <Text>
          Start it again with ./run, then reload this page. Everything that was saved is still there.
        </Text>
      </Page>
    )
  if (!about.data) return null
  return (
    <Suspense fallback={null}>
      <Routes>
        <Route path="/welcome" element={<FirstVisitPage />} />
        {about.data.hasPlayer ? (
          <>
            <Route path="/practise" element={<StagePage />} />
            <Route path="/piece/:id/read" element={<SlowReadingPage />} />
            <Route element={<Shell />}>
              <Route path="/" element={<TodayPage />} />
              <Route path="/routines" element={<RoutinesPage />} />
              <Route path="/warm-up" element={<WarmUpsPage />} />
              <Route path="/material" element={<MaterialPage />} />
              <Route path="/journal" element={<JournalPage />} />
              <Route path="/balance" element={<BalancePage />} />
              <Route path="/goals" element={<GoalsPage />} />
              <Route path="/methods" element={<MethodsPage />} />
              <Route path="/instrument" element={<InstrumentPage />} />
              <Route path="/technique" element={<ExercisesPage />} />
              <Route path="/piece/:id" element={<PiecePage />} />
              <Route path="/sheets" element={<SheetPage />} />
              <Route path="/keys" element={<KeysPage />} />
              <Route path="/material/:id" element={<TempoPage />} />
              <Route path="/sound" element={<SoundPage />} />
              <Route path="/close" element={<ClosePage />} />
            </Route>
            <Route path="*" element={<Navigate to="/" replace />} />
          </>
        ) : (
          <Route path="*" element={<Navigate to="/welcome" replace />} />
        )}
      </Routes>
    </Suspense>
  )
}

function Shell() {
  return (
    <>
      <Header />
      <Outlet />
    </>
  )
}
