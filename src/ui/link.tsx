'use client'
import NextLink from 'next/link'
import type { ComponentProps } from 'react'

/**
 * A link within Falto. Nothing is fetched before it is pressed: every page is read anew for the one who opens it, so
 * what could be fetched beforehand is empty, and a list would ask the server once for each of its lines.
 */
export const Link = (props: ComponentProps<typeof NextLink>) => <NextLink prefetch={false} {...props} />
