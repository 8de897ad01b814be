import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { actKey } from '../../lib/actKey'
import { answerOf, api } from '../../lib/api/client'
import type { Calibration, CalibrationSettings, StandardsChoice } from '../../lib/api/types'
import { renewProbes } from '../probes/renewProbes'

export interface CalibrationPlan {
  recipe: string
  beside?: number[]
}

export function useCalibration(calibrationId: number | null) {
  return useQuery({
    queryKey: ['calibration', calibrationId],
    queryFn: () =>
      answerOf(api.GET('/api/calibrations/{calibration}', { params: { path: { calibration: calibrationId ?? 0 } } })),
    enabled: calibrationId !== null,
  })
}

export function useCalibrationHistory(probeId: number) {
  return useQuery({
    queryKey: ['calibrations', probeId],
    queryFn: () => answerOf(api.GET('/api/probes/{probe}/calibrations', { params: { path: { probe: probeId } } })),
  })
}

export function useOpenCalibration(probeId: number) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (body: CalibrationPlan) =>
      answerOf(
        api.POST('/api/probes/{probe}/calibrations', {
          params: { path: { probe: probeId }, header: { 'Request-Key': actKey(body) } },
          body,
        }),
      ),
    onSuccess: (calibration) => {
      client.setQueryData(['calibration', calibration.id], calibration)
    },
  })
}

/**
 * Everything that can be done to an open calibration; each answers with the calibration as it then stands. One goes after the
 * other: a reading that is taken right behind a typed value is one of that value.
 */
export function useCalibrationActions(calibrationId: number) {
  const client = useQueryClient()
  const path = { calibration: calibrationId }
  const scope = { id: `calibration ${calibrationId}` }
  function onSuccess(calibration: Calibration) {
    client.setQueryData(['calibration', calibrationId], calibration)
  }
  const takeReading = useMutation({
    scope,
    mutationFn: (body: { position: number; takeAnyway?: boolean }) =>
      answerOf(api.POST('/api/calibrations/{calibration}/readings', { params: { path }, body })),
    onSuccess,
  })
  const dropReading = useMutation({
    scope,
    mutationFn: (position: number) =>
      answerOf(
        api.DELETE('/api/calibrations/{calibration}/readings/{position}', { params: { path: { ...path, position } } }),
      ),
    onSuccess,
  })
  const exchange = useMutation({
    scope,
    mutationFn: (body: { first: number; second: number }) =>
      answerOf(api.POST('/api/calibrations/{calibration}/exchange', { params: { path }, body })),
    onSuccess,
  })
  const change = useMutation({
    scope,
    mutationFn: (body: { standards?: StandardsChoice; settings?: CalibrationSettings }) =>
      answerOf(api.PATCH('/api/calibrations/{calibration}', { params: { path }, body })),
    onSuccess,
  })
  const keep = useMutation({
    scope,
    mutationFn: () => answerOf(api.POST('/api/calibrations/{calibration}/keep', { params: { path } })),
    onSuccess: (calibration) => {
      onSuccess(calibration)
      renewProbes(client)
    },
  })
  return { takeReading, dropReading, exchange, change, keep }
}
