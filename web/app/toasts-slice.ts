import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';

/** How a removal is taken back. */
export type Undoing =
  | { readonly kind: 'car' | 'brief' | 'meet' | 'class'; readonly id: string }
  | { readonly kind: 'run' | 'version'; readonly carId: string; readonly id: string };

export interface Toast {
  readonly id: string;
  readonly message: string;
  readonly tone: 'plain' | 'stop';
  readonly undoing?: Undoing;
}

const toasts = createSlice({
  name: 'toasts',
  initialState: [] as Toast[],
  reducers: {
    toasted: {
      reducer: (state, { payload }: PayloadAction<Toast>) => [...state.filter(({ message }) => message !== payload.message), payload],
      prepare: (message: string, more: { tone?: Toast['tone']; undoing?: Undoing } = {}) => ({
        payload: { id: nanoid(), message, tone: more.tone ?? ('plain' as const), ...(more.undoing && { undoing: more.undoing }) },
      }),
    },
    toastClosed: (state, { payload }: PayloadAction<string>) => state.filter(({ id }) => id !== payload),
  },
});

export const { toasted, toastClosed } = toasts.actions;
export const toastsReducer = toasts.reducer;
