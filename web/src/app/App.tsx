import { chakra } from '@chakra-ui/react'
import { Navigate, Outlet, Route, Routes, generatePath, useLocation, useParams } from 'react-router'
import { api } from '../api/client'
import { TodayPage } from '../features/planning/TodayPage'
import { TroublePage } from '../features/keeping/TroublePage'
import { Failed } from '../ui/Failed'
import { Outline } from '../ui/Outline'
import { RemovalOffers } from '../ui/removal'
import { DemoStrip } from './DemoStrip'
import { Header, ViewTabs } from './Header'
import { firstPage, lazyPage } from './lazyPage'
import { moved } from './places'
import { useReminder } from './useReminder'
import { Working } from './Working'

const FirstPage = firstPage(TodayPage)
const RoutinesPage = lazyPage(() => import('../features/planning/RoutinesPage'), 'RoutinesPage')
const WarmUpsPage = lazyPage(() => import('../features/warmup/WarmUpsPage'), 'WarmUpsPage')
const SharesPage = lazyPage(() => import('../features/planning/SharesPage'), 'SharesPage')
const ExercisesPage = lazyPage(() => import('../features/technique/ExercisesPage'), 'ExercisesPage')
const WeekPage = lazyPage(() => import('../features/week/WeekPage'), 'WeekPage')
const MethodsPage = lazyPage(() => import('../features/planning/MethodsPage'), 'MethodsPage')
const InstrumentPage = lazyPage(() => import('../features/planning/InstrumentPage'), 'InstrumentPage')
const BackupsPage = lazyPage(() => import('../features/keeping/BackupsPage'), 'BackupsPage')
const DevicesPage = lazyPage(() => import('../features/house/DevicesPage'), 'DevicesPage')
const BringPage = lazyPage(() => import('../features/keeping/BringPage'), 'BringPage')
const PiecePage = lazyPage(() => import('../features/repertoire/PiecePage'), 'PiecePage')
const RecordingsPage = lazyPage(() => import('../features/recording/RecordingsPage'), 'RecordingsPage')
const ApartPage = lazyPage(() => import('../features/recording/ApartPage'), 'ApartPage')
const SongsPage = lazyPage(() => import('../features/recording/SongsPage'), 'SongsPage')
const SongPage = lazyPage(() => import('../features/recording/SongPage'), 'SongPage')
const ListPage = lazyPage(() => import('../features/repertoire/ListPage'), 'ListPage')
const SlowReadingPage = lazyPage(() => import('../features/repertoire/SlowReadingPage'), 'SlowReadingPage')
const SheetPage = lazyPage(() => import('../features/technique/SheetPage'), 'SheetPage')
const BookPage = lazyPage(() => import('../features/technique/BookPage'), 'BookPage')
const FirstLookPage = lazyPage(() => import('../features/technique/FirstLookPage'), 'FirstLookPage')
const ReadingDeskPage = lazyPage(() => import('../features/reading/ReadingDeskPage'), 'ReadingDeskPage')
const PaperReadingPage = lazyPage(() => import('../features/reading/PaperReadingPage'), 'PaperReadingPage')
const ReadingPage = lazyPage(() => import('../features/reading/ReadingPage'), 'ReadingPage')
const EarRoundPage = lazyPage(() => import('../features/ear/EarRoundPage'), 'EarRoundPage')
const TunePage = lazyPage(() => import('../features/ear/TunePage'), 'TunePage')
const CopyPage = lazyPage(() => import('../features/ear/CopyPage'), 'CopyPage')
const EarPage = lazyPage(() => import('../features/ear/EarPage'), 'EarPage')
const KeysPage = lazyPage(() => import('../features/technique/KeysPage'), 'KeysPage')
const TempoPage = lazyPage(() => import('../features/technique/TempoPage'), 'TempoPage')
const ListeningPage = lazyPage(() => import('../features/listening/ListeningPage'), 'ListeningPage')
const SoundPage = lazyPage(() => import('../features/sound/SoundPage'), 'SoundPage')
const FirstVisitPage = lazyPage(() => import('../features/planning/FirstVisitPage'), 'FirstVisitPage')
const MaterialPage = lazyPage(() => import('../features/material/MaterialPage'), 'MaterialPage')
const StagePage = lazyPage(() => import('../features/practice/StagePage'), 'StagePage')
const ClosePage = lazyPage(() => import('../features/practice/ClosePage'), 'ClosePage')
const SparePage = lazyPage(() => import('../features/spare/SparePage'), 'SparePage')
const ShelfPage = lazyPage(() => import('../features/progress/ShelfPage'), 'ShelfPage')
const HealthPage = lazyPage(() => import('../features/lookback/HealthPage'), 'HealthPage')
const TakeAlongPage = lazyPage(() => import('../features/lookback/TakeAlongPage'), 'TakeAlongPage')
const ReviewPage = lazyPage(() => import('../features/lookback/ReviewPage'), 'ReviewPage')
const LookBackPage = lazyPage(() => import('../features/lookback/LookBackPage'), 'LookBackPage')
const JournalDayPage = lazyPage(() => import('../features/progress/JournalDayPage'), 'JournalDayPage')
const JournalPage = lazyPage(() => import('../features/progress/JournalPage'), 'JournalPage')

export function App() {
  const about = api.useQuery('get', '/api/about', undefined, { throwOnError: false })
  // Only where there is nothing to show yet: a look that fails later takes no page away.
  if (!about.data) return about.isError ? <Failed again={() => about.refetch()} /> : <Outline />
  if (about.data.trouble) return <TroublePage trouble={about.data.trouble} book={about.data.book} />
  return (
    <>
      <Routes>
        <Route path="/welcome" element={<FirstVisitPage />} />
        <Route path="/welcome/bring" element={<BringPage />} />
        {about.data.hasPlayer ? (
          <>
            <Route path="/practise" element={<StagePage />} />
            <Route path="/music/:id/read" element={<SlowReadingPage />} />
            <Route path="/read" element={<ReadingDeskPage />} />
            <Route path="/read/:id" element={<PaperReadingPage />} />
            <Route path="/ear/tune/:id" element={<TunePage />} />
            <Route path="/ear/copy" element={<CopyPage />} />
            <Route path="/ear" element={<EarRoundPage />} />
            <Route path="/craft/:id/look" element={<FirstLookPage />} />
            <Route element={<Shell />}>
              <Route path="/" element={<FirstPage />} />
              <Route path="/spare" element={<SparePage />} />
              <Route path="/week" element={<WeekPage />} />
              <Route path="/music" element={<MaterialPage />} />
              <Route path="/music/recordings" element={<RecordingsPage />} />
              <Route path="/music/songs" element={<SongsPage />} />
              <Route path="/music/songs/:id" element={<SongPage />} />
              <Route path="/music/apart/:id" element={<ApartPage />} />
              <Route path="/music/:id" element={<PiecePage />} />
              <Route path="/music/list/:date" element={<ListPage />} />
              <Route path="/music/:id/tempo" element={<TempoPage />} />
              <Route path="/craft" element={<ExercisesPage />} />
              <Route path="/craft/:id/tempo" element={<TempoPage />} />
              <Route path="/craft/:id/book" element={<BookPage />} />
              <Route path="/craft/reading" element={<ReadingPage />} />
              <Route path="/craft/ear" element={<EarPage />} />
              <Route path="/craft/sheets" element={<SheetPage />} />
              <Route path="/craft/keys" element={<KeysPage />} />
              <Route path="/craft/warm-up" element={<WarmUpsPage />} />
              <Route path="/craft/sound" element={<SoundPage />} />
              <Route path="/craft/listening" element={<ListeningPage />} />
              <Route path="/journal" element={<JournalPage />} />
              <Route path="/journal/day/:day" element={<JournalDayPage />} />
              <Route path="/journal/review" element={<ReviewPage />} />
              <Route path="/journal/health" element={<HealthPage />} />
              <Route path="/journal/take-along" element={<TakeAlongPage />} />
              <Route path="/journal/look-back" element={<LookBackPage />} />
              <Route path="/journal/shelf" element={<ShelfPage />} />
              <Route path="/set-up" element={<RoutinesPage />} />
              <Route path="/set-up/shares" element={<SharesPage />} />
              <Route path="/set-up/methods" element={<MethodsPage />} />
              <Route path="/set-up/instrument" element={<InstrumentPage />} />
              <Route path="/set-up/files" element={<BackupsPage />} />
              <Route path="/set-up/devices" element={<DevicesPage />} />
              <Route path="/close" element={<ClosePage />} />
            </Route>
            {moved.map(([from, to]) => (
              <Route key={from} path={from} element={<Moved to={to} />} />
            ))}
            <Route path="*" element={<Navigate to="/" replace />} />
          </>
        ) : (
          <Route path="*" element={<Navigate to="/welcome" replace />} />
        )}
      </Routes>
      <RemovalOffers />
      <Working />
    </>
  )
}

const SkipLink = chakra('a', {
  base: {
    position: 'absolute',
    left: '4',
    top: '-60px',
    bg: 'sheet',
    border: '2px solid',
    borderColor: 'ink',
    borderRadius: '6px',
    px: '4',
    py: '2',
    zIndex: 10,
    _focus: { top: '2' },
  },
})

function Shell() {
  useReminder()
  return (
    <chakra.div pb={{ base: '72px', md: '0' }}>
      <SkipLink href="#main" className="no-print">
        To the content
      </SkipLink>
      <Header />
      <DemoStrip />
      <ViewTabs />
      <Outlet />
    </chakra.div>
  )
}

/** An old address leads on to where its page has gone. */
function Moved({ to }: { to: string }) {
  const { search } = useLocation()
  return <Navigate to={generatePath(to, useParams()) + search} replace />
}
