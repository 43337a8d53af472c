/** A picture that is written as a `data:` address (RFC 2397), as a file. */
export function coverFile(name: string, address: string): { name: string; type: string; bytes: Uint8Array<ArrayBuffer> } {
  const [, type = 'image/webp', data = ''] = /^data:([^;]+);base64,(.*)$/s.exec(address) ?? [];
  const bytes = Uint8Array.from(atob(data), (sign) => sign.charCodeAt(0));
  return { name: `${name}.${type.replace('image/', '').replace('jpeg', 'jpg')}`, type, bytes };
}
