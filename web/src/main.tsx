import createCache from '@emotion/cache'
import { CacheProvider } from '@emotion/react'
import { ChakraProvider } from '@chakra-ui/react'
import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/fraunces'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter } from 'react-router'
import { hasPlan } from './api/book'
import { api } from './api/client'
import { App } from './app/App'
import { Boundary } from './app/Boundary'
import { system } from './theme'

// The page allows only style sheets that carry this request's nonce.
const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content
const styles = createCache({ key: 'tf', nonce })
const isRefusal = (error: unknown) => {
  const { status } = error as { status?: number }
  return status !== undefined && status < 500
}
const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // Away it is asked again; what was refused would be refused again.
      retry: (tries, error) => tries < 2 && !isRefusal(error),
      retryDelay: 400,
      staleTime: 2000,
      networkMode: 'always',
      // A page that has nothing to show yet gives way to the words of its boundary; a refusal it tells itself.
      throwOnError: (error, query) => query.state.data === undefined && !isRefusal(error),
    },
    mutations: { networkMode: 'always' },
  },
})

// What the first page shows is asked for at once, beside the question whose practice it is; on a first visit there is no plan yet.
if (window.location.pathname === '/' && hasPlan())
  void queries.prefetchQuery(api.queryOptions('get', '/api/today'))

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <CacheProvider value={styles}>
      <ChakraProvider value={system}>
        <QueryClientProvider client={queries}>
          <BrowserRouter>
            <Boundary again={() => window.location.reload()}>
              <App />
            </Boundary>
          </BrowserRouter>
        </QueryClientProvider>
      </ChakraProvider>
    </CacheProvider>
  </StrictMode>,
)
