import { index, route, type RouteConfig } from '@react-router/dev/routes'

export default [
  index('routes/shelf.tsx'),
  route('problems/:problemId', 'routes/problem.tsx', [
    index('routes/problem-index.ts'),
    route('given', 'routes/given.tsx'),
    route('working/:step?', 'routes/working.tsx'),
    route('results/:view?/:of?', 'routes/results.tsx'),
    route('check', 'routes/check.tsx'),
  ]),
  route('problems/:problemId/save', 'routes/save.ts'),
  route('problems/:problemId/newer', 'routes/newer.ts'),
  route('problems/:problemId/file', 'routes/file.ts'),
  route('problems/:problemId/working-as/:form', 'routes/working-as.ts'),
  route('problems/:problemId/figure-as/:form', 'routes/figure-as.ts'),
  route('problems/:problemId/results-as/:form', 'routes/results-as.ts'),
  route('problems/:problemId/marked', 'routes/marked.ts'),
] satisfies RouteConfig
