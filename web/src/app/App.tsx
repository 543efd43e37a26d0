import { Navigate, Outlet, Route, Routes } from 'react-router'
import { api } from '../api/client'
import { TroublePage } from '../features/keeping/TroublePage'
import { Failed } from '../ui/Failed'
import { Outline } from '../ui/Outline'
import { RemovalOffers } from '../ui/removal'
import { DemoStrip } from './DemoStrip'
import { Header } from './Header'
import { lazyPage } from './lazyPage'

const TodayPage = lazyPage(() => import('../features/planning/TodayPage'), 'TodayPage')
const RoutinesPage = lazyPage(() => import('../features/planning/RoutinesPage'), 'RoutinesPage')
const WarmUpsPage = lazyPage(() => import('../features/warmup/WarmUpsPage'), 'WarmUpsPage')
const BalancePage = lazyPage(() => import('../features/planning/BalancePage'), 'BalancePage')
const ExercisesPage = lazyPage(() => import('../features/technique/ExercisesPage'), 'ExercisesPage')
const GoalsPage = lazyPage(() => import('../features/planning/GoalsPage'), 'GoalsPage')
const MethodsPage = lazyPage(() => import('../features/planning/MethodsPage'), 'MethodsPage')
const InstrumentPage = lazyPage(() => import('../features/planning/InstrumentPage'), 'InstrumentPage')
const BackupsPage = lazyPage(() => import('../features/keeping/BackupsPage'), 'BackupsPage')
const PiecePage = lazyPage(() => import('../features/repertoire/PiecePage'), 'PiecePage')
const SlowReadingPage = lazyPage(() => import('../features/repertoire/SlowReadingPage'), 'SlowReadingPage')
const SheetPage = lazyPage(() => import('../features/technique/SheetPage'), 'SheetPage')
const KeysPage = lazyPage(() => import('../features/technique/KeysPage'), 'KeysPage')
const TempoPage = lazyPage(() => import('../features/technique/TempoPage'), 'TempoPage')
const SoundPage = lazyPage(() => import('../features/sound/SoundPage'), 'SoundPage')
const FirstVisitPage = lazyPage(() => import('../features/planning/FirstVisitPage'), 'FirstVisitPage')
const MaterialPage = lazyPage(() => import('../features/material/MaterialPage'), 'MaterialPage')
const StagePage = lazyPage(() => import('../features/practice/StagePage'), 'StagePage')
const ClosePage = lazyPage(() => import('../features/practice/ClosePage'), 'ClosePage')
const JournalPage = lazyPage(() => import('../features/progress/JournalPage'), 'JournalPage')

export function App() {
  const about = api.useQuery('get', '/api/about', undefined, { throwOnError: false })
  // Only where there is nothing to show yet: a look that fails later takes no page away.
  if (!about.data) return about.isError ? <Failed again={() => about.refetch()} /> : <Outline />
  if (about.data.trouble) return <TroublePage trouble={about.data.trouble} book={about.data.book} />
  return (
    <RemovalOffers>
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
              <Route path="/backups" element={<BackupsPage />} />
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
    </RemovalOffers>
  )
}

function Shell() {
  return (
    <>
      <Header />
      <DemoStrip />
      <Outlet />
    </>
  )
}
