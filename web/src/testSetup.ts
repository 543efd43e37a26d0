import { configure } from '@testing-library/react'

// What a test waits for may take its time on a busy machine.
configure({ asyncUtilTimeout: 30_000 })
