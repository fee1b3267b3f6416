require "fileutils"
require "tmpdir"

# Decoded pictures and thumbnails on disk, so that a reading never decodes. All of
# it can be made again from the blobs; the oldest go when it grows too large.
module PictureCache
  LARGEST_BYTES = 4 * 1024**3

  module_function

  def folder = ENV.fetch("CACHE_DIR") { File.join(Dir.tmpdir, "yellow-magpie-cache-#{Process.uid}") }

  # @return [Magpie::Picture]
  # @raise [Magpie::Error] when the bytes are damaged
  def picture(sha256, name)
    path = File.join(folder, "#{sha256}.v")
    store(path) { |temporary| Magpie::Picture.read(Blob.bytes(sha256), name:).store(temporary) } unless File.exist?(path)
    Magpie::Picture.reopen(path)
  end

  # @return [String] path of a JPEG
  def thumbnail(sha256, name, width, height)
    path = File.join(folder, "#{sha256}-#{width}x#{height}.jpg")
    store(path) { |temporary| File.binwrite(temporary, picture(sha256, name).thumbnail(width, height)) } unless File.exist?(path)
    path
  end

  # Written beside and renamed, so that nobody ever opens half a file.
  def store(path)
    FileUtils.mkdir_p(folder)
    temporary = File.join(folder, "#{Process.pid}-#{Thread.current.object_id}-#{File.basename(path)}")
    yield temporary
    File.rename(temporary, path)
    make_room(path)
  ensure
    File.delete(temporary) if temporary && File.exist?(temporary)
  end

  # @param keep [String] the file that is wanted right now
  def make_room(keep = nil)
    files = Dir.glob(File.join(folder, "*")).filter_map { |path| [path, File.stat(path)] if File.exist?(path) }
    total = files.sum { |_, stat| stat.size }
    files.sort_by { |_, stat| stat.atime }.each do |path, stat|
      break if total <= LARGEST_BYTES
      next if path == keep
      FileUtils.rm_f(path)
      total -= stat.size
    end
  end
end
