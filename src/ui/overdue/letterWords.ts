"use client";

export type Words = { subject: string; body: string };
